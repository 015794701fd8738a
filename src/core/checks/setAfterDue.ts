import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import { dayOf } from '../time/zonedWall';
import type { Check } from './check';
import { daysBetween } from './checkedDates';

/** Given out after it is due. A week is the usual time for work (common practice, no published source). */
export const setAfterDue: Check = {
  id: 'setAfterDue',
  find: ({ entries }) =>
    entries.flatMap((entry) => {
      if (entry.kind !== 'assignment' || !entry.setOn || entry.cancelled !== undefined) return [];
      const due = dayOf(entry.due);
      if (Temporal.PlainDate.compare(entry.setOn, due) <= 0) return [];
      const days = daysBetween(entry.setOn, due.subtract({ days: 7 }));
      return [
        {
          check: 'setAfterDue',
          about: { entry },
          why: checkTexts.setAfterDue,
          remedy: { label: checkTexts.setWeekBefore, act: 'dates', field: 'setOn', days },
        },
      ];
    }),
};
