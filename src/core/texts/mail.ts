import * as en from './compiled/en/mail';
import { extend } from './extend';
/** The letters Pembit sends. */
export const mailTexts = extend(en.mailTexts, {
  changed: (name: string, lines: readonly string[], by: string) =>
    `Hello ${name},\n\n${by} changed something you have seen:\n\n${lines.join('\n\n')}\n`,
});

export const welcomeTexts = en.welcomeTexts;
