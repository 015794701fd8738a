import { checkTexts } from '../texts/checks';
import { dateLabel } from '../time/dateLabels';
import type { Check, CheckInput, CheckedEntry } from './check';
import { asksForSomeone, dayOfEntry, daysBetween, openDayFrom } from './checkedDates';

/** Whether a course of the entry meets on that weekday anyway. */
const meets = ({ classes }: CheckInput, entry: CheckedEntry, weekday: number) =>
  classes.some(
    ({ course, meeting }) =>
      meeting.date.dayOfWeek === weekday && entry.audience.some((part) => part.course === course.id),
  );

/** On a Saturday or Sunday, in a course that has no classes then. */
export const onWeekend: Check = {
  id: 'onWeekend',
  find: (input) =>
    input.entries.filter(asksForSomeone).flatMap((entry) => {
      const day = dayOfEntry(entry);
      if (day.dayOfWeek < 6 || meets(input, entry, day.dayOfWeek)) return [];
      const next = openDayFrom(input, entry, day);
      const label = checkTexts.moveTo({ day: dateLabel(next, 'short', input.locale) });
      return [
        {
          check: 'onWeekend',
          about: { entry },
          why: checkTexts.onWeekend,
          remedy: { label, act: 'shift', days: daysBetween(day, next) },
        },
      ];
    }),
};
