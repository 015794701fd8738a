import * as en from './compiled/en/checks';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the checks: why something is questionable, and what puts it right. */
export const checkTexts = extend(en.checkTexts, {
  classOf: (tag: string, number: ClassNumber) => `${tag}, ${entryTexts.classNumber(number)}`,
  outletLacks: (kinds: string) => en.checkTexts.outletLacks({ kinds: kinds.toLowerCase() }),
  filesAdded: (names: readonly string[]) => en.checkTexts.filesAdded({ n: names.length, names }),
  noSuchClass: (number: ClassNumber) => en.checkTexts.noSuchClass({ number: entryTexts.classNumber(number) }),
});
