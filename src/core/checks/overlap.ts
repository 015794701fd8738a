import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import type { Check, CheckedEntry } from './check';
import { OPEN } from './check';
import { pairsOfDay, takesPlace } from './checkedDates';
import { inBoth } from './checkedPeople';

/** Hours of an event as wall times; an event without an end has none. */
export function hoursOf(
  entry: CheckedEntry,
): { start: Temporal.PlainDateTime; end: Temporal.PlainDateTime } | undefined {
  if (entry.kind !== 'event' || entry.when.kind === 'days' || !entry.when.end) return undefined;
  return { start: entry.when.start.wall, end: entry.when.end.wall };
}

type Hours = NonNullable<ReturnType<typeof hoursOf>>;
/** Half-open: what begins when the other ends does not overlap. */
export const overlaps = (a: Hours, b: Hours): boolean =>
  Temporal.PlainDateTime.compare(a.start, b.end) < 0 && Temporal.PlainDateTime.compare(b.start, a.end) < 0;

/** Two events at the same time for the same people. */
export const overlap: Check = {
  id: 'overlap',
  find: ({ entries, peopleOf }) =>
    pairsOfDay(entries.filter((entry) => takesPlace(entry) && hoursOf(entry))).flatMap(([entry, other]) => {
      if (!overlaps(hoursOf(entry)!, hoursOf(other)!)) return [];
      const students = inBoth(peopleOf(entry), peopleOf(other));
      if (students === 0) return [];
      return [
        {
          check: 'overlap',
          about: { entry },
          other,
          why: checkTexts.overlap(other.title, students),
          remedy: OPEN(checkTexts.chooseTime),
        },
      ];
    }),
};
