import * as en from './compiled/en/marks';
/** What each mark of the term says, for the legend. */
export const markTexts = en.markTexts;
