import type { Temporal } from 'temporal-polyfill';

/** How a link answered when it was last tested. `signIn`: it asks who is there, so it cannot be told what is behind it. */
export const LINK_STATES = ['opens', 'slow', 'moved', 'signIn', 'fails'] as const;
export type LinkState = (typeof LINK_STATES)[number];

export type LinkTest = Readonly<{
  url: string;
  state: LinkState;
  /** What the server said, if it answered. */
  status?: number;
  /** Where it leads in the end, if elsewhere. */
  leadsTo?: string;
  /** Why it fails where no server said so: `timeOut`, `unreachable` and the like. */
  reason: string;
  milliseconds: number;
  testedAt: Temporal.Instant;
}>;

/** From here on a link is slow. */
const SLOW_MS = 3000;

type Heard = Readonly<{ url: string; status: number; redirects: readonly number[]; milliseconds: number }>;

/** What an answer says about the link that was asked. Only a lasting redirect (301, 308) means that it has moved. */
export function judgeLink(
  asked: string,
  { url, status, redirects, milliseconds }: Heard,
): Pick<LinkTest, 'state' | 'leadsTo'> {
  const leadsTo = url === asked ? {} : { leadsTo: url };
  if (status === 401 || status === 403 || status === 407) return { state: 'signIn', ...leadsTo };
  if (status < 200 || status >= 400) return { state: 'fails', ...leadsTo };
  if (redirects.length > 0 && redirects.every((code) => code === 301 || code === 308))
    return { state: 'moved', ...leadsTo };
  return { state: milliseconds > SLOW_MS ? 'slow' : 'opens', ...leadsTo };
}
