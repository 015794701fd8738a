import * as en from './compiled/en/frameHistory';

/** How the history says what happened to terms, closures, courses and meetings. */
export const frameHistoryTexts = en.frameHistoryTexts;
