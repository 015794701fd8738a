import * as en from './compiled/en/retention';
import { extend } from './extend';
import type { RetentionClass } from '../frame/retention';
import { RETENTION } from '../frame/retention';

/** Words for how long a school keeps what it holds about people. */
export const retentionTexts = extend(en.retentionTexts, {
  hint: (name: RetentionClass) => `Suggested: ${RETENTION[name].suggested}`,
  used: (megabytes: number, of: number) =>
    `Files take ${megabytes.toLocaleString('en')} MB of ${of.toLocaleString('en')} MB.`,
  nearlyFull: (megabytes: number, of: number) =>
    `The files of this course take ${megabytes.toLocaleString('en')} MB of ${of.toLocaleString('en')} MB. The office can give it more room.`,
  courseFull: (of: number) =>
    `The files of this course have filled their ${of.toLocaleString('en')} MB. Take something away, or ask the office for more room.`,
  schoolFull: (of: number) =>
    `The files of the school have filled their ${of.toLocaleString('en')} MB. The office can give them more room.`,
});
