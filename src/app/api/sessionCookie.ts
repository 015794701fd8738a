import { COOKIE_SECONDS, cookieName } from '@/server/session/session';

const cookie = (baseUrl: string, name: string, value: string, seconds: number): string =>
  [
    `${name}=${value}`,
    'Path=/',
    `Max-Age=${value === '' ? 0 : seconds}`,
    'HttpOnly',
    'SameSite=Lax',
    ...(baseUrl.startsWith('https:') ? ['Secure'] : []),
  ].join('; ');

/** The cookie that carries a session's token; an empty token takes it away. */
export const sessionCookie = (baseUrl: string, token: string): string =>
  cookie(baseUrl, cookieName(baseUrl), token, COOKIE_SECONDS);

/** The cookie with which somebody goes to the school's sign-in, and comes back. It is signed. */
export const journeyName = (baseUrl: string): string => `${cookieName(baseUrl)}_journey`;
const JOURNEY_SECONDS = 600;
export const journeyCookie = (baseUrl: string, value: string): string =>
  cookie(baseUrl, journeyName(baseUrl), value, JOURNEY_SECONDS);
