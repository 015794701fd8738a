import * as en from './compiled/en/forms';
/** Words that several forms share. */
export const formTexts = en.formTexts;
