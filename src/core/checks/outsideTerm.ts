import { checkTexts } from '../texts/checks';
import { isIn } from '../time/term';
import type { Check } from './check';
import { OPEN } from './check';
import { dayOfEntry, takesPlace } from './checkedDates';

/** Before the first or after the last day of the term. */
export const outsideTerm: Check = {
  id: 'outsideTerm',
  find: ({ term, entries }) =>
    entries
      .filter((entry) => takesPlace(entry) && !isIn(term, dayOfEntry(entry)))
      .map((entry) => ({
        check: 'outsideTerm',
        about: { entry },
        why: checkTexts.outsideTerm({ term: term.name }),
        remedy: OPEN(checkTexts.chooseDay),
      })),
};
