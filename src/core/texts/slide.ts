import * as en from './compiled/en/slide';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of sliding class plans along the classes of a course. */
export const slideTexts = extend(en.slideTexts, {
  line: (from: string, to: string) => `${from || en.slideTexts.noClass} → ${to}`,
  place: (number: ClassNumber, day: string) => `${entryTexts.classMark(number)}, ${day}`,
});
