import * as en from './compiled/en/merge';

/** Merging a section into another of its course. */
export const mergeTexts = en.mergeTexts;
