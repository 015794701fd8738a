import * as en from './compiled/en/spoken';
/** Words of messages that are spoken into the browser. */
export const spokenTexts = en.spokenTexts;
