import * as en from './compiled/en/account';
export const signInTexts = en.signInTexts;

export const accountTexts = en.accountTexts;
