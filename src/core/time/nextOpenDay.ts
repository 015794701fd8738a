import type { Temporal } from 'temporal-polyfill';
import type { Closure } from './closure';
import { isOn, isWhole } from './closure';

/** No closure goes on for longer. */
const MOST_DAYS = 400;

/**
 * The first day after one on which nothing is closed all day: a day from Monday to Friday, or one of the weekdays on which
 * classes are held (1 Monday to 7 Sunday).
 */
export function nextOpenDay(
  after: Temporal.PlainDate,
  closures: readonly Closure[],
  classDays: ReadonlySet<number> = new Set(),
): Temporal.PlainDate {
  let day = after.add({ days: 1 });
  for (let i = 0; i < MOST_DAYS; i++, day = day.add({ days: 1 })) {
    const taught = day.dayOfWeek <= 5 || classDays.has(day.dayOfWeek);
    if (taught && !closures.some((closure) => isWhole(closure) && isOn(closure, day))) return day;
  }
  return after.add({ days: 1 });
}
