import * as en from './compiled/en/guardians';

/** Words of what guardians see, and of who lets them. */
export const guardianTexts = en.guardianTexts;
