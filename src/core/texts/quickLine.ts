import * as en from './compiled/en/quickLine';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

const said = en.quickTexts;

/** Words of the quick line: what it understood, what it asks. */
export const quickTexts = extend(en.quickTexts, {
  classWords: (number: ClassNumber, edge: 'start' | 'end') =>
    (edge === 'start' ? said.startOf : said.endOf)({ number: entryTexts.classNumber(number) }),
  every: (unit: 'days' | 'weeks', every: number, weekdays: readonly string[]) =>
    (unit === 'days' ? said.everyDays : said.everyWeeks)({ every, weekdays }),
  noSuchDate: (text: string) => said.noSuchDate({ text: text.trim() }),
  whichOf: (text: string) => said.whichOf({ text: text.trim() }),
  weekdayOff: (text: string) => said.weekdayOff({ text: text.trim() }),
  whichTime: (text: string) => said.whichTime({ text: text.trim() }),
  timeOrTitle: (text: string) => said.timeOrTitle({ text: text.trim() }),
  backwards: (text: string) => said.backwards({ text: text.trim() }),
  noSuchClass: (code: string, number: ClassNumber, last: number) =>
    said.noSuchClass({
      code,
      classes: entryTexts.classes(last, number.strand),
      number: entryTexts.classNumber(number),
    }),
  asDue: (text: string) => said.asDue({ text: text.trim() }),
  asTitle: (text: string) => said.asTitle({ text: text.trim() }),
});
