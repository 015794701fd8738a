import * as en from './compiled/en/frame';
/** Words of the frame around every page, of signing in, and of what any control may say. */
export const frameTexts = en.frameTexts;
