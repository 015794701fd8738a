import * as en from './compiled/en/closures';
import { extend } from './extend';
import type { Closing } from '../quickline/readClosureLine';

/** Words of closing days from where one stands. */
export const closureTexts = extend(en.closureTexts, {
  ofSections: (name: string, sections: readonly string[]) =>
    en.closureTexts.ofSections({ n: sections.length, name, sections }),
  /** As it can be typed again. */
  quick: (day: string, name: string, closing: Closing = 'whole', at = '') => {
    const { whole, online, late, early } = en.closureTexts.quickStarts;
    const start = { whole, online, late: late({ at }), early: early({ at }) }[closing];
    return `${start} ${day}${name ? `: ${name}` : ''}`;
  },
});
