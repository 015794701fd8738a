import * as en from './compiled/en/ownPlace';
/** A single time that has its own place or link. */
export const ownPlaceTexts = en.ownPlaceTexts;
