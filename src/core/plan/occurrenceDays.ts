import { Temporal } from 'temporal-polyfill';
import { groupBy } from '../groupBy';
import type { Zone } from '../time/zone';
import { instantMs } from '../time/zone';
import { dayOf, isDay, momentText } from '../time/zonedWall';
import type { Occurrence } from './occurrence';

/** The last day an occurrence touches, as text. An end at midnight does not touch the day that begins there. */
export function lastDayText(o: Occurrence): string {
  const first = momentText(dayOf(o.start));
  if (!o.end) return first;
  const day = dayOf(o.end);
  const last = momentText(day);
  const untouched = isDay(o.end) || (momentText(o.end).endsWith('T00:00') && last !== first);
  return untouched ? momentText(day.subtract({ days: 1 })) : last;
}

/** What touches a day between two, both included, in the order given. Days are worked out once, for views that ask for many. */
export function touching(
  occurrences: readonly Occurrence[],
): (from: Temporal.PlainDate, to?: Temporal.PlainDate) => Occurrence[] {
  const days = occurrences.map((o) => ({ o, first: momentText(dayOf(o.start)), last: lastDayText(o) }));
  const oneDay = groupBy(
    days.filter(({ first, last }) => first === last),
    ({ first }) => first,
  );
  const longer = days.filter(({ first, last }) => first !== last);
  const place = new Map(occurrences.map((o, i) => [o, i]));
  return (from, to = from) => {
    const [first, last] = [momentText(from), momentText(to)];
    const found = longer.filter((day) => day.first <= last && day.last >= first);
    for (let day = from; Temporal.PlainDate.compare(day, to) <= 0; day = day.add({ days: 1 }))
      found.push(...(oneDay.get(momentText(day)) ?? []));
    return found.map(({ o }) => o).sort((a, b) => place.get(a)! - place.get(b)!);
  };
}

/** The instant an occurrence is over, in epoch milliseconds: its end, else its start, else the end of its day. */
export function overAtMs(o: Occurrence, zone: Zone): number {
  const last = o.end ?? o.start;
  if (!isDay(last)) return instantMs(zone, last.wall);
  const nextDay = o.end ? last : last.add({ days: 1 });
  return instantMs(zone, (nextDay as Temporal.PlainDate).toPlainDateTime());
}
