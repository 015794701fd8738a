import * as en from './compiled/en/today';
import { extend } from './extend';

/** How many titles a line names before it counts the rest. */
const MOST_NAMED = 3;

/** Words of the page that whoever teaches begins with. */
export const todayTexts = extend(en.todayTexts, {
  /** At the head of the term: what stands nowhere in it. */
  waitsForClass: (titles: readonly string[], course: string) =>
    en.todayTexts.homelessTitles({
      course,
      titles: titles.slice(0, MOST_NAMED),
      more: Math.max(0, titles.length - MOST_NAMED),
      n: titles.length,
    }),
});
