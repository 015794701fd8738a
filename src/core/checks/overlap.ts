import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import { bothHave } from './bothHave';
import type { Check, CheckedEntry } from './check';
import { pairsOfDay, takesPlace } from './checkedDates';

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
  find: (input) =>
    pairsOfDay(
      input.entries.filter((entry) => takesPlace(entry) && hoursOf(entry)),
      (...pair) =>
        overlaps(hoursOf(pair[0])!, hoursOf(pair[1])!)
          ? bothHave(pair, input, {
              check: 'overlap',
              why: checkTexts.overlap,
              remedy: checkTexts.chooseTime,
            })
          : undefined,
      { written: input.written, many: checkTexts.manyOverlap },
    ),
};
