import * as en from './compiled/en/files';
import { extend } from './extend';

const megabytes = (bytes: number) => Math.round(bytes / 1024 / 1024);

/** Words of files that are uploaded. */
export const fileTexts = extend(en.fileTexts, {
  limit: (bytes: number) => en.fileTexts.limit({ megabytes: megabytes(bytes) }),
  tooLarge: (bytes: number) => en.fileTexts.tooLarge({ megabytes: megabytes(bytes) }),
});
