import * as en from './compiled/en/today';
import { extend } from './extend';

/** Words of the page that whoever teaches begins with. */
export const todayTexts = extend(en.todayTexts, {
  /** At the head of the term: what stands nowhere in it. */
  waitsForClass: (titles: readonly string[], course: string) =>
    `${course}: ${titles.slice(0, 3).join(', ')}${titles.length > 3 ? ` and ${titles.length - 3} more` : ''} ${titles.length === 1 ? 'has' : 'have'} no class`,
});
