import * as en from './compiled/en/mail';
import { extend } from './extend';

/** The letters Pembit sends. */
export const mailTexts = extend(en.mailTexts, {
  changed: (name: string, changes: readonly string[], by: string) =>
    en.mailTexts.changedLetter({ name, by, what: changes.join('\n\n') }),
});

export const welcomeTexts = en.welcomeTexts;
