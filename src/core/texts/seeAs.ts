import * as en from './compiled/en/seeAs';
/** Words of looking at the plan as somebody else. */
export const seeAsTexts = en.seeAsTexts;
