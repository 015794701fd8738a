import * as en from './compiled/en/files';
import { extend } from './extend';
const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`;

/** Words of files that are uploaded. */
export const fileTexts = extend(en.fileTexts, {
  limit: (bytes: number) => `At most ${megabytes(bytes)} each.`,
  tooLarge: (bytes: number) =>
    `This file is larger than ${megabytes(bytes)}. Make it smaller, or link to where it is.`,
});
