import * as en from './compiled/en/office';
import { extend } from './extend';
/** Words for what the school's office does to people, and for its log. */
export const officeTexts = extend(en.officeTexts, {
  line: (who: string, act: string, whom: string, where: string) =>
    [who, act, whom, where ? `(${where})` : ''].filter(Boolean).join(' '),
});
