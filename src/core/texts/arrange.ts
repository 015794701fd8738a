import * as en from './compiled/en/arrange';
/** More time for all work of a course. */
export const arrangeTexts = en.arrangeTexts;
