import * as en from './compiled/en/week';
/** Words of the week by the hour. */
export const weekTexts = en.weekTexts;
