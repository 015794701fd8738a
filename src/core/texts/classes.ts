import * as en from './compiled/en/classes';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the panel about a class, and of putting topics on classes. */
export const classTexts = extend(en.classTexts, {
  fillLine: (number: ClassNumber, days: string) => `${entryTexts.classTitle(number)}, ${days}`,
  fillPinned: (numbers: readonly ClassNumber[]) =>
    en.classTexts.fillPinned({ numbers: numbers.map(entryTexts.classNumber) }),
});
