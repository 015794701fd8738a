import * as en from './compiled/en/days';
import { extend } from './extend';
import type { MarkedDay } from '../plan/markedDays';

/** The words of a field for a day and of its calendar. */
export const dayTexts = extend(en.dayTexts, {
  /** A day of the calendar by its full date, and what is on it. */
  day: (date: string, { closed, classes = [], siteDates = [] }: MarkedDay) =>
    [
      date,
      ...(closed === undefined ? [] : [en.dayTexts.closedFor({ name: closed })]),
      ...(classes.length > 0 ? [en.dayTexts.classesOf({ names: classes })] : []),
      ...siteDates,
    ].join('; '),
});
