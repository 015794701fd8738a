import * as en from './compiled/en/student';
import { extend } from './extend';
/** Words of the student's pages. */
export const studentTexts = extend(en.studentTexts, {
  gathered: (
    name: string,
    { told, news }: Readonly<{ told: readonly string[]; news: readonly string[] }>,
    base: string,
  ) =>
    [
      `Hello ${name},`,
      ...told,
      ...(news.length > 0 ? [`new or changed since you last looked:\n${news.join('\n')}`] : []),
      `Everything: ${base}/next`,
      `Which letters you get, and when, is chosen on your account’s page: ${base}/account\n`,
    ].join('\n\n'),
});

/** Words of what somebody chooses for themselves. */
export const notesOnTexts = en.notesOnTexts;

/** Words of the page on which a letter's reader ends letters like it. */
export const endLettersTexts = en.endLettersTexts;

export const ownSettingsTexts = en.ownSettingsTexts;
