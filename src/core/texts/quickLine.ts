import * as en from './compiled/en/quickLine';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the quick line: what it understood, what it asks. */
export const quickTexts = extend(en.quickTexts, {
  classWords: (number: ClassNumber, edge: 'start' | 'end') => `${edge} of ${entryTexts.classNumber(number)}`,
  every: (unit: 'days' | 'weeks', every: number, weekdays: readonly string[]) => {
    const one = unit === 'days' ? 'day' : 'week';
    const often = every === 1 ? `every ${one}` : `every ${every} ${unit}`;
    return weekdays.length > 0 ? `${often} on ${weekdays.join(' and ')}` : often;
  },
  noSuchDate: (text: string) => `There is no day “${text.trim()}”. Type another date.`,
  whichOf: (text: string) => `Which day is “${text.trim()}”?`,
  weekdayOff: (text: string) => `“${text.trim()}” is another weekday. Which day?`,
  whichTime: (text: string) => `When is “${text.trim()}”?`,
  timeOrTitle: (text: string) =>
    `Is “${text.trim()}” a time? If it belongs to the title, put the title in quotation marks.`,
  backwards: (text: string) => `“${text.trim()}” ends before it begins. Type the later time second.`,
  noSuchClass: (code: string, number: ClassNumber, last: number) =>
    `${code} has ${entryTexts.classes(last, number.strand)}; there is no ${entryTexts.classNumber(number)}.`,
  asDue: (text: string) => `It is due: ${text.trim()}`,
  asTitle: (text: string) => `Leave “${text.trim()}” out`,
});
