import * as en from './compiled/en/tokens';

/** Words of tokens: access for scripts and other systems. */
export const tokenTexts = en.tokenTexts;
