import * as en from './compiled/en/shared';

/** What a course shares outwards. */
export const sharedTexts = en.sharedTexts;
