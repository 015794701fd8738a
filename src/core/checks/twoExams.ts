import { checkTexts } from '../texts/checks';
import { bothHave } from './bothHave';
import type { Check, CheckedEntry } from './check';
import { pairsOfDay, takesPlace } from './checkedDates';

const EXAM = /\b(?:exam|examination|midterm|final|finals)\b/i;

/** By its title. */
export const isExam = ({ title }: Pick<CheckedEntry, 'title'>): boolean => EXAM.test(title);

/** Two examinations on one day for the same students. */
export const twoExams: Check = {
  id: 'twoExams',
  find: (input) =>
    pairsOfDay(
      input.entries.filter((entry) => takesPlace(entry) && isExam(entry)),
      (...pair) =>
        bothHave(pair, input, {
          check: 'twoExams',
          why: checkTexts.twoExams,
          remedy: checkTexts.chooseDay,
        }),
      { written: input.written, many: checkTexts.manyExams },
    ),
};
