import * as en from './compiled/en/publish';
import { extend } from './extend';
import { commas } from './formats';

const said = en.publishTexts;

/** Words of the Publish and Subscribe pages. */
export const publishTexts = extend(en.publishTexts, {
  /** Recordings never leave the course for the public. */
  openFiles: (
    audience: 'public' | 'roster',
    { files, recordings, pages }: Readonly<{ files: number; recordings: number; pages: number }>,
  ) => {
    const open = audience === 'public' ? files - recordings : files;
    const what = [
      ...(open > 0 || pages === 0 ? [said.openFileCount({ n: open })] : []),
      ...(pages > 0 ? [said.openPageCount({ n: pages })] : []),
    ];
    return audience === 'roster' ? said.openForRoster({ what }) : said.openForAll({ what, recordings });
  },
  courseOutlets: (open: number, roster: number) =>
    open + roster === 0
      ? said.inNoOutlet
      : commas([
          ...(open > 0 ? [said.publicIn({ n: open })] : []),
          ...(roster > 0 ? [said.rosterIn({ n: roster })] : []),
        ]),
});

export const subscribeTexts = en.subscribeTexts;
