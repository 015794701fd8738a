import * as en from './compiled/en/checks';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the checks: why something is questionable, and what puts it right. */
export const checkTexts = extend(en.checkTexts, {
  classOf: (tag: string, number: ClassNumber) => `${tag}, ${entryTexts.classNumber(number)}`,
  outletLacks: (kinds: string) =>
    `It is ticked for ${kinds.toLowerCase()}, and holds none: those there are are for others than its readers.`,
  filesAdded: (names: readonly string[]) =>
    `Since it was composed, anyone with its address can open ${names.length === 1 ? `one more file: ${names[0]}` : `${names.length} more files: ${names.join(', ')}`}. Saving it again says that this is meant.`,
  noSuchClass: (number: ClassNumber) =>
    `It follows ${entryTexts.classNumber(number)}, which is not there any more.`,
});
