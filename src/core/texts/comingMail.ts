import * as en from './compiled/en/comingMail';
/** Letters about who is coming. */
export const comingMailTexts = en.comingMailTexts;
