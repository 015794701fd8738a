import { COOKIE_SECONDS, cookieName } from '@/server/session/session';

/** `seconds` undefined: until the browser is closed. */
const cookie = (baseUrl: string, name: string, value: string, seconds: number | undefined): string =>
  [
    `${name}=${value}`,
    'Path=/',
    ...(value === '' ? ['Max-Age=0'] : seconds === undefined ? [] : [`Max-Age=${seconds}`]),
    'HttpOnly',
    'SameSite=Lax',
    ...(baseUrl.startsWith('https:') ? ['Secure'] : []),
  ].join('; ');

/** The cookie that carries a session's token; an empty token takes it away. On a device that others use it goes with the browser. */
export const sessionCookie = (baseUrl: string, token: string, shared = false): string =>
  cookie(baseUrl, cookieName(baseUrl), token, shared ? undefined : COOKIE_SECONDS);

/** The cookie with which somebody goes to the school's sign-in, and comes back. It is signed. */
export const journeyName = (baseUrl: string): string => `${cookieName(baseUrl)}_journey`;
const JOURNEY_SECONDS = 600;
export const journeyCookie = (baseUrl: string, value: string): string =>
  cookie(baseUrl, journeyName(baseUrl), value, JOURNEY_SECONDS);
