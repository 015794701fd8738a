import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { dayOfEntry, daysBetween } from './checkedDates';

const SOON = 7;

/** Work that is due within a week and that students do not see. */
export const hiddenSoon: Check = {
  id: 'hiddenSoon',
  find: ({ entries, today }) =>
    entries
      .filter((entry) => {
        if (entry.kind !== 'assignment' || entry.cancelled !== undefined || entry.release === 'shown')
          return false;
        const days = daysBetween(today, dayOfEntry(entry));
        return days >= 0 && days <= SOON;
      })
      .map((entry) => ({
        check: 'hiddenSoon',
        about: { entry },
        why: checkTexts.hiddenSoon,
        remedy: { label: checkTexts.showNow, act: 'show' },
      })),
};
