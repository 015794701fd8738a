import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay } from '../time/zonedWall';
import type { Check, Finding } from './check';
import { daysBetween } from './checkedDates';

const begins = (moment: Moment) => (isDay(moment) ? moment.toPlainDateTime() : moment.wall);
const ends = (moment: Moment) => (isDay(moment) ? moment.toPlainDateTime('23:59:59') : moment.wall);
const isAfter = (a: Temporal.PlainDateTime, b: Temporal.PlainDateTime) =>
  Temporal.PlainDateTime.compare(a, b) > 0;

/** Due before it opens, or after it closes. */
export const dueOutsideWindow: Check = {
  id: 'dueOutsideWindow',
  find: ({ entries }) =>
    entries.flatMap((entry): Finding[] => {
      if (entry.kind !== 'assignment' || entry.cancelled !== undefined) return [];
      const { opens, due, closes } = entry;
      const about = { entry };
      if (closes && isAfter(begins(due), ends(closes))) {
        const days = Math.max(1, daysBetween(dayOf(closes), dayOf(due)));
        return [
          {
            check: 'dueOutsideWindow',
            about,
            why: checkTexts.closesBefore,
            remedy: { label: checkTexts.closeLater({ days }), act: 'dates', field: 'closes', days },
          },
        ];
      }
      if (opens && isAfter(begins(opens), ends(due))) {
        const days = Math.min(-1, daysBetween(dayOf(opens), dayOf(due)));
        return [
          {
            check: 'dueOutsideWindow',
            about,
            why: checkTexts.opensAfter,
            remedy: { label: checkTexts.openEarlier({ days: -days }), act: 'dates', field: 'opens', days },
          },
        ];
      }
      return [];
    }),
};
