import * as en from './compiled/en/packages';

/** Words of bringing in a Common Cartridge package. */
export const packageTexts = en.packageTexts;
