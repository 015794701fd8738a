import * as en from './compiled/en/embeds';
/** Words on the pages that are shown inside other sites. */
export const embedTexts = en.embedTexts;
