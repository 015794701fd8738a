import * as en from './compiled/en/usage';
/** What of Pembit is used, for the office. */
export const usageTexts = en.usageTexts;
