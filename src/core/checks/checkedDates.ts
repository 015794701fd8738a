import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import { concernsCourse, isOn } from '../time/closure';
import { dayOf, momentText } from '../time/zonedWall';
import type { CheckInput, CheckedEntry } from './check';

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
      !closure.closesAt &&
      isOn(closure, day) &&
      entry.audience.some((part) => concernsCourse(closure, part.course)),
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

/** Entries of each day, as text; each pair on one day is looked at once. */
export function pairsOfDay(
  entries: readonly CheckedEntry[],
): readonly (readonly [first: CheckedEntry, second: CheckedEntry])[] {
  const byDay = new Map<string, CheckedEntry[]>();
  for (const entry of entries) {
    const day = momentText(dayOfEntry(entry));
    byDay.set(day, [...(byDay.get(day) ?? []), entry]);
  }
  return [...byDay.values()].flatMap((list) =>
    list.flatMap((first, i) => list.slice(i + 1).map((second) => [first, second] as const)),
  );
}
