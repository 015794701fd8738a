import { checkTexts } from '../texts/checks';
import { dateLabel } from '../time/dateLabels';
import type { Check } from './check';
import { asksForSomeone, closureOn, dayOfEntry, daysBetween, openDayFrom } from './checkedDates';

/** On a day without classes. */
export const onClosure: Check = {
  id: 'onClosure',
  find: (input) =>
    input.entries.filter(asksForSomeone).flatMap((entry) => {
      const day = dayOfEntry(entry);
      const closure = closureOn(input, entry, day);
      if (!closure) return [];
      const next = openDayFrom(input, entry, day);
      const label = checkTexts.moveTo({ day: dateLabel(next, 'short', input.locale) });
      return [
        {
          check: 'onClosure',
          about: { entry },
          why: checkTexts.onClosure({ name: closure.name }),
          remedy: { label, act: 'shift', days: daysBetween(day, next) },
        },
      ];
    }),
};
