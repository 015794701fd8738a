import * as en from './compiled/en/entryErrors';
/** What is wrong with how the dates of an entry lie. */
export const entryErrorTexts = en.entryErrorTexts;
