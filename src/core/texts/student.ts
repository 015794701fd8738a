import * as en from './compiled/en/student';
import { extend } from './extend';
/** Words of the student's pages. */
export const studentTexts = extend(en.studentTexts, {
  gathered: (
    name: string,
    { told, news }: Readonly<{ told: readonly string[]; news: readonly string[] }>,
    base: string,
  ) => {
    const said = en.studentTexts.gatheredParts;
    return [
      said.hello({ name }),
      ...told,
      ...(news.length > 0 ? [said.news({ news })] : []),
      said.everything({ base }),
      said.settings({ base }),
    ].join('\n\n');
  },
});

/** Words of what somebody chooses for themselves. */
export const notesOnTexts = en.notesOnTexts;

/** Words of the page on which a letter's reader ends letters like it. */
export const endLettersTexts = en.endLettersTexts;

export const ownSettingsTexts = en.ownSettingsTexts;
