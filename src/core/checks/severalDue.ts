import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { pairsOfDay } from './checkedDates';
import { inBoth } from './checkedPeople';

/** Two or more pieces of work due on one day for the same students (the usual alarm: common practice, no published source). */
export const severalDue: Check = {
  id: 'severalDue',
  find: ({ entries, peopleOf }) =>
    pairsOfDay(
      entries.filter((entry) => entry.kind === 'assignment' && entry.cancelled === undefined),
    ).flatMap(([entry, other]) => {
      const students = inBoth(peopleOf(entry), peopleOf(other));
      if (students === 0) return [];
      return [
        {
          check: 'severalDue',
          about: { entry },
          other,
          why: checkTexts.severalDue(other.title, students),
          remedy: OPEN(checkTexts.chooseDay),
        },
      ];
    }),
};
