import { Temporal } from 'temporal-polyfill';
import type { Term } from '../time/term';
import { weekStartOf } from '../time/term';

/** How a day of one term finds its place in another: by the classes, by teaching week and weekday, by days from the start. */
export const MAPPINGS = ['meetings', 'weeks', 'days'] as const;
export type Mapping = (typeof MAPPINGS)[number];

/** A term with the days on which a section meets, in the order of the classes. */
export type Calendar = Readonly<{
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  classDays: readonly Temporal.PlainDate[];
}>;

export type DayMap = (day: Temporal.PlainDate) => Temporal.PlainDate;

const daysFrom = (from: Temporal.PlainDate, to: Temporal.PlainDate) =>
  from.until(to, { largestUnit: 'days' }).days;

/**
 * Where each day of one term falls in another. An earlier day never falls after a later one, whichever way; a day that the
 * other term does not reach falls past its end. Without classes on both sides, weeks take the place of classes.
 */
export function dayMap(mapping: Mapping, from: Calendar, to: Calendar): DayMap {
  if (mapping === 'days') return byDistance(from.term.startsOn, to.term.startsOn);
  if (mapping === 'meetings' && from.classDays.length > 0 && to.classDays.length > 0)
    return byClasses(from.classDays, to.classDays);
  return byDistance(
    weekStartOf(from.term.startsOn, from.term.weekStart),
    weekStartOf(to.term.startsOn, to.term.weekStart),
  );
}

const byDistance =
  (from: Temporal.PlainDate, to: Temporal.PlainDate): DayMap =>
  (day) =>
    to.add({ days: daysFrom(from, day) });

/**
 * A day of class goes to the day of the class with the same number; a day between two classes stays as far behind the first
 * as it was, and before the second.
 */
function byClasses(from: readonly Temporal.PlainDate[], to: readonly Temporal.PlainDate[]): DayMap {
  return (day) => {
    const behind = from.findLastIndex((date) => Temporal.PlainDate.compare(date, day) <= 0);
    const at = Math.min(Math.max(behind, 0), to.length - 1, from.length - 1);
    const [start, next] = [to[at]!, to[at + 1]];
    const placed = start.add({ days: daysFrom(from[at]!, day) });
    // Before the first class, and after the last that both have, nothing stands in the way.
    if (!next || behind < 0 || at + 1 >= from.length) return placed;
    const latest = next.equals(start) ? start : next.subtract({ days: 1 });
    return Temporal.PlainDate.compare(placed, latest) <= 0 ? placed : latest;
  };
}
