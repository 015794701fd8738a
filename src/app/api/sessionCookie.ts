import { COOKIE_SECONDS, cookieName } from '@/server/session/session';

/** The cookie that carries a session's token; an empty token takes it away. */
export const sessionCookie = (baseUrl: string, token: string): string =>
  [
    `${cookieName(baseUrl)}=${token}`,
    'Path=/',
    `Max-Age=${token === '' ? 0 : COOKIE_SECONDS}`,
    'HttpOnly',
    'SameSite=Lax',
    ...(baseUrl.startsWith('https:') ? ['Secure'] : []),
  ].join('; ');
