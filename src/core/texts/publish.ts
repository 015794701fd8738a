import * as en from './compiled/en/publish';
import { extend } from './extend';
/** Words of the Publish and Subscribe pages. */
export const publishTexts = extend(en.publishTexts, {
  openFiles: (
    audience: 'public' | 'roster',
    { files, recordings, pages }: Readonly<{ files: number; recordings: number; pages: number }>,
  ) => {
    const open = audience === 'public' ? files - recordings : files;
    const said = [
      ...(open > 0 || pages === 0 ? [open === 1 ? '1 file' : `${open} files`] : []),
      ...(pages > 0 ? [pages === 1 ? '1 page' : `${pages} pages`] : []),
    ].join(' and ');
    const kept = recordings === 1 ? 'a recording stays' : `${recordings} recordings stay`;
    return audience === 'roster'
      ? `Open ${said} for whoever holds the address`
      : `Open ${said} for anyone${recordings > 0 ? `; ${kept} with the course` : ''}`;
  },
  courseOutlets: (open: number, roster: number) =>
    open + roster === 0
      ? 'in no feed and no embed: students see it in Pembit alone'
      : [open > 0 ? `public in ${open}` : '', roster > 0 ? `for its roster in ${roster}` : '']
          .filter(Boolean)
          .join(', '),
});

export const subscribeTexts = en.subscribeTexts;
