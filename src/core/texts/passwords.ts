import * as en from './compiled/en/passwords';
/** Words of passwords, of new ones by mail, and of the second step of signing in. */
export const passwordTexts = en.passwordTexts;
