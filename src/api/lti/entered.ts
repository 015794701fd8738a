import { parseCookie } from 'cookie';
import { z } from 'zod';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { arrivalCookieName, siteCookie } from '@/server/lti/siteCookies';

export const enteredRecord = z.object({ to: z.string() });

/** Which of the arrivals that a browser may have at once: each frame of a page has its own. */
export const arrivalKey = z.string().regex(/^[\w-]{16}$/, 'Load the page of the course’s site again.');

/** What the browser keeps of somebody who has come from a site and has yet to say who they are. */
export const arrivalIn = (request: Request, baseUrl: string, key: string): string =>
  parseCookie(request.headers.get('cookie') ?? '')[arrivalCookieName(baseUrl, key)] ?? '';

/** Answers with the session of whoever has said it, and where they go. */
export function entered(baseUrl: string, outcome: Outcome<{ session: string; to: string }>) {
  if (!outcome.ok) return outcome;
  const { session, to } = outcome.value;
  // The arrival is spent: its cookie opens nothing any more, and goes by itself.
  return { ...done({ to }), headers: { 'set-cookie': siteCookie(baseUrl, session) } };
}
