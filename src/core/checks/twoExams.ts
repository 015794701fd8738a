import { checkTexts } from '../texts/checks';
import type { Check, CheckedEntry } from './check';
import { OPEN } from './check';
import { pairsOfDay, takesPlace } from './checkedDates';
import { inBoth } from './checkedPeople';

const EXAM = /\b(?:exam|examination|midterm|final|finals)\b/i;

/** By its title. */
export const isExam = (entry: CheckedEntry): boolean => EXAM.test(entry.title);

/** Two examinations on one day for the same students. */
export const twoExams: Check = {
  id: 'twoExams',
  find: ({ entries, peopleOf }) =>
    pairsOfDay(entries.filter((entry) => takesPlace(entry) && isExam(entry))).flatMap(([entry, other]) => {
      const students = inBoth(peopleOf(entry), peopleOf(other));
      if (students === 0) return [];
      return [
        {
          check: 'twoExams',
          about: { entry },
          other,
          why: checkTexts.twoExams(other.title, students),
          remedy: OPEN(checkTexts.chooseDay),
        },
      ];
    }),
};
