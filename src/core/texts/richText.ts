import * as en from './compiled/en/richText';
/** Words of the editor of formatted text. */
export const richTexts = en.richTexts;
