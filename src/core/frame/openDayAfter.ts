import type { Temporal } from 'temporal-polyfill';
import type { Closure } from '../time/closure';
import { isOn } from '../time/closure';

/** The first weekday after a date on which none of the closures lies. */
export function openDayAfter(
  date: Temporal.PlainDate,
  closures: readonly Pick<Closure, 'start' | 'end'>[],
): Temporal.PlainDate {
  let day = date.add({ days: 1 });
  while (day.dayOfWeek > 5 || closures.some((closure) => isOn(closure, day))) day = day.add({ days: 1 });
  return day;
}
