import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import { concernsPart, isOn, isWhole } from '../time/closure';
import { dayOf, momentText } from '../time/zonedWall';
import { groupBy } from '../groupBy';
import type { CheckInput, CheckedEntry, Finding } from './check';

/** The day of an entry: of work the day it is due. */
export const dayOfEntry = (entry: CheckedEntry): Temporal.PlainDate => dayOf(mainMoment(entry));

/** Single entries that take place: series and what was called off are not looked at day by day. */
export const takesPlace = (entry: CheckedEntry): boolean =>
  entry.cancelled === undefined && !(entry.kind === 'event' && entry.recurrence);

/** What people have to come for, or hand in: an announcement can stand on any day. */
export const asksForSomeone = (entry: CheckedEntry): boolean =>
  entry.kind !== 'announcement' && takesPlace(entry);

/** The closure of a day for an entry: of the whole school, or of one of its courses. */
export const closureOn = (input: CheckInput, entry: CheckedEntry, day: Temporal.PlainDate) =>
  input.closures.find(
    (closure) =>
      isWhole(closure) && isOn(closure, day) && entry.audience.some((part) => concernsPart(closure, part)),
  );

/** The next day, from one on, that is neither closed for the entry nor a Saturday or Sunday. */
export function openDayFrom(
  input: CheckInput,
  entry: CheckedEntry,
  from: Temporal.PlainDate,
): Temporal.PlainDate {
  let day = from;
  while (day.dayOfWeek > 5 || closureOn(input, entry, day)) day = day.add({ days: 1 });
  return day;
}

export const daysBetween = (a: Temporal.PlainDate, b: Temporal.PlainDate): number =>
  a.until(b, { largestUnit: 'days' }).days;

/** How many pairs a day has of one check before they are said in one sentence. */
const MOST_PAIRS = 3;

/** What is questionable of two entries, about the first of them. */
type PairOf = (first: CheckedEntry, second: CheckedEntry) => Finding | undefined;

/**
 * What is questionable of two entries on one day, each pair once. A day that has it many times over is one finding, about the
 * first of them: `many` says so of how many entries there are that day. Of an entry that is being written each of its own pairs
 * is said, and names the other.
 */
export function pairsOfDay(
  entries: readonly CheckedEntry[],
  pairOf: PairOf,
  { written, many }: Readonly<{ written?: CheckedEntry; many: (given: Readonly<{ n: number }>) => string }>,
): Finding[] {
  const days = groupBy(entries, (entry) => momentText(dayOfEntry(entry)));
  if (written) {
    const day = days.get(momentText(dayOfEntry(written))) ?? [];
    if (!day.includes(written)) return [];
    return day.flatMap((other) => (other === written ? [] : (pairOf(written, other) ?? [])));
  }
  return [...days.values()].flatMap((list) => {
    const found: Finding[] = [];
    for (const [i, first] of list.entries())
      for (const second of list.slice(i + 1)) {
        const finding = pairOf(first, second);
        if (finding) found.push(finding);
        if (found.length > MOST_PAIRS) return [{ ...found[0]!, why: many({ n: list.length }) }];
      }
    return found;
  });
}
