import * as en from './compiled/en/closures';
import { extend } from './extend';
import type { Closing } from '../quickline/readClosureLine';

/** Words of closing days from where one stands. */
export const closureTexts = extend(en.closureTexts, {
  ofSections: (name: string, sections: readonly string[]) =>
    sections.length === 0
      ? `${name} (some sections)`
      : `${name} (${sections.length === 1 ? 'section' : 'sections'} ${sections.join(', ')})`,
  /** As it can be typed again. */
  quick: (day: string, name: string, closing: Closing = 'whole', at = '') =>
    `${{ whole: 'No classes', late: `School opens at ${at}`, early: `School closes at ${at}`, online: 'Classes online' }[closing]} ${day}${name ? `: ${name}` : ''}`,
});
