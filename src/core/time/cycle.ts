import { Temporal } from 'temporal-polyfill';
import type { Closure } from './closure';
import { isOn, isWhole } from './closure';

/** Days that rotate, whatever the weekday: A, B, A, B ..., or 1 to 6. */
export type Cycle = Readonly<{
  /** Their names in order. */
  days: readonly string[];
  /** The ISO weekdays that are school days; in order. */
  weekdays: readonly number[];
  /** A closed day: the next open day has its letter, or the letter is gone. */
  onClosure: 'skip' | 'use';
  /** Dates that were given another letter than their turn. The turns of the others stay. */
  given: readonly Readonly<{ date: Temporal.PlainDate; day: string }>[];
}>;

/** Which day of its rotation a date is; `turn`, counted from 0, where it is so by its turn, and was not given it. */
export type CycleDay = Readonly<{ day: string; turn?: number }>;

/**
 * Which day of its rotation each date of a term is, by the date's text. Days on which the whole school has no classes have
 * none, unless they were given one; a term without a rotation has none at all.
 */
export function cycleDays(
  {
    startsOn,
    endsOn,
    cycle,
  }: Readonly<{ startsOn: Temporal.PlainDate; endsOn: Temporal.PlainDate; cycle?: Cycle }>,
  closures: readonly (Pick<Closure, 'start' | 'end' | 'course'> & Parameters<typeof isWhole>[0])[],
): ReadonlyMap<string, CycleDay> {
  const letters = new Map<string, CycleDay>();
  if (!cycle || cycle.days.length === 0) return letters;
  const closed = closures.filter((closure) => closure.course === undefined && isWhole(closure));
  let turn = 0;
  for (let date = startsOn; Temporal.PlainDate.compare(date, endsOn) <= 0; date = date.add({ days: 1 })) {
    if (!cycle.weekdays.includes(date.dayOfWeek)) continue;
    const isClosed = closed.some((closure) => isOn(closure, date));
    if (!isClosed) letters.set(date.toString(), { day: cycle.days[turn % cycle.days.length]!, turn });
    if (!isClosed || cycle.onClosure === 'use') turn += 1;
  }
  for (const { date, day } of cycle.given) letters.set(date.toString(), { day });
  return letters;
}
