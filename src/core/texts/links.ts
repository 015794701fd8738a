import * as en from './compiled/en/links';
import { extend } from './extend';
import type { LinkTest } from '../links/linkTest';

const reasons: Readonly<Record<string, string>> = en.linkTexts.reasons;

/** Words of links that are tested. */
export const linkTexts = extend(en.linkTexts, {
  /** What was found, in a few words: the answer's number, or why there was none. */
  why: ({ state, status, leadsTo, reason }: LinkTest) => {
    if (state === 'moved' && leadsTo) return en.linkTexts.nowAt({ address: leadsTo });
    return reasons[reason] ?? (status === undefined ? '' : en.linkTexts.answered({ status }));
  },
  /** What a test of one link found. */
  found: (test: LinkTest) =>
    en.linkTexts.itDoes({
      does: linkTexts.states[test.state],
      why: test.state === 'opens' || test.state === 'slow' ? undefined : linkTexts.why(test),
    }),
});
