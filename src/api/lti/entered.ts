import { parseCookie } from 'cookie';
import { z } from 'zod';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { arrivalCookieName, siteCookie } from '@/server/lti/siteCookies';

export const enteredRecord = z.object({ to: z.string() });

/** What the browser keeps of whoever has come from a site and has yet to say who they are. */
export const arrivalIn = (request: Request, baseUrl: string): string =>
  parseCookie(request.headers.get('cookie') ?? '')[arrivalCookieName(baseUrl)] ?? '';

/** Answers with the session of whoever has said it, and where they go. */
export function entered(baseUrl: string, outcome: Outcome<{ session: string; to: string }>) {
  if (!outcome.ok) return outcome;
  const { session, to } = outcome.value;
  // The arrival is spent: its cookie opens nothing any more, and goes by itself.
  return { ...done({ to }), headers: { 'set-cookie': siteCookie(baseUrl, session) } };
}
