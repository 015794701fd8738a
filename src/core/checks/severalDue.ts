import { checkTexts } from '../texts/checks';
import { bothHave } from './bothHave';
import type { Check } from './check';
import { pairsOfDay } from './checkedDates';

/** Two or more pieces of work due on one day for the same students (the usual alarm: common practice, no published source). */
export const severalDue: Check = {
  id: 'severalDue',
  find: (input) =>
    pairsOfDay(
      input.entries.filter((entry) => entry.kind === 'assignment' && entry.cancelled === undefined),
      (...pair) =>
        bothHave(pair, input, {
          check: 'severalDue',
          why: checkTexts.severalDue,
          remedy: checkTexts.chooseDay,
        }),
      { written: input.written, many: checkTexts.manyDue },
    ),
};
