import * as en from './compiled/en/series';
import { extend } from './extend';

const said = en.seriesTexts;

/** `second`, `20th`; below zero `last`, `second-to-last`. */
const ordinal = (n: number): string => {
  if (n === -1) return said.last;
  return n < 0 ? said.toLast({ ordinal: said.ordinal({ n: -n }) }) : said.ordinal({ n });
};
const counted = (n: number): string => (n < 0 ? said.fromEnd({ ordinal: ordinal(n) }) : String(n));
/** One that is counted from the end is said as several are: "days the last". */
const asOne = (numbers: readonly number[]): number => (numbers.length === 1 && numbers[0]! > 0 ? 1 : 2);

/** How a series is said. */
export const seriesTexts = extend(en.seriesTexts, {
  unit: (freq: string, every: number) => {
    const named = Object.hasOwn(said.every, freq) ? (freq as keyof typeof said.every) : 'other';
    return said.every[named]({ n: every });
  },
  nth: (n: number, weekday: string) => said.nthDay({ ordinal: ordinal(n), weekday }),
  /** Days of a month, or of a year; those below zero are counted from its end. */
  onDays: (days: readonly number[], of: 'month' | 'year') =>
    said.onDaysOf({ n: asOne(days), days: days.map(counted), year: of === 'year' }),
  inWeeks: (weeks: readonly number[]) => said.inWeeksOf({ n: asOne(weeks), weeks: weeks.map(counted) }),
  ofThese: (places: readonly number[]) => said.onlyThese({ places: places.map(ordinal) }),
});
