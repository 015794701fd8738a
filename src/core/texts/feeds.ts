import * as en from './compiled/en/feeds';

/** Words inside feeds: they are read on phones, without Pembit around them. */
export const feedTexts = en.feedTexts;
