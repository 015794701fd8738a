import * as en from './compiled/en/links';
import { extend } from './extend';
import type { LinkTest } from '../links/linkTest';

const REASONS: Readonly<Record<string, string>> = {
  badAddress: 'it leads to an address that cannot be read',
  blockedAddress: 'it leads into a private network',
  timeOut: 'it did not answer within 10 seconds',
  tooManyRedirects: 'it leads on and on',
  unreachable: 'no server answers there',
};

/** Words of links that are tested. */
export const linkTexts = extend(en.linkTexts, {
  /** What was found, in a few words: the answer's number, or why there was none. */
  why: ({ state, status, leadsTo, reason }: LinkTest) =>
    state === 'moved' && leadsTo
      ? `now at ${leadsTo}`
      : (REASONS[reason] ?? (status === undefined ? '' : `the answer was ${status}`)),
  /** What a test of one link found. */
  found: (test: LinkTest) => {
    const why = linkTexts.why(test);
    return `It ${linkTexts.states[test.state]}${why && test.state !== 'opens' && test.state !== 'slow' ? ` (${why})` : ''}.`;
  },
});
