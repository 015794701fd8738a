import { stringifySetCookie } from 'cookie';
import { SITE_COOKIE_SECONDS, siteCookieName } from '../session/session';

/**
 * Cookies that a browser sends to us within a frame of a course's site, and there alone: each site has its own jar (CHIPS).
 * Browsers take them by https, and by http on the machine itself.
 */
const partitioned = (name: string, value: string, seconds: number): string =>
  stringifySetCookie({
    name,
    value,
    path: '/',
    maxAge: value === '' ? 0 : seconds,
    httpOnly: true,
    secure: true,
    sameSite: 'none',
    partitioned: true,
  });

/** What the browser keeps of a launch until the site has answered; frames of one page each have their own. */
export const launchCookieName = (baseUrl: string, key: string): string =>
  `${siteCookieName(baseUrl)}_launch_${key}`;
export const launchCookie = (baseUrl: string, key: string, value: string): string =>
  partitioned(launchCookieName(baseUrl, key), value, 600);

/** Of whoever has come and has yet to say who they are, in one frame of maybe several. */
export const arrivalCookieName = (baseUrl: string, key: string): string =>
  `${siteCookieName(baseUrl)}_arrival_${key}`;
export const arrivalCookie = (baseUrl: string, key: string, value: string): string =>
  partitioned(arrivalCookieName(baseUrl, key), value, 900);

export const siteCookie = (baseUrl: string, token: string): string =>
  partitioned(siteCookieName(baseUrl), token, SITE_COOKIE_SECONDS);
