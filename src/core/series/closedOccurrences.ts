import { Temporal } from 'temporal-polyfill';
import type { EventEntry } from '../entries/entry';
import type { Closure } from '../time/closure';
import { closes, concernsPart, isOn, isWhole } from '../time/closure';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay } from '../time/zonedWall';
import { expandSeries } from './expand';

type Series = Pick<EventEntry, 'when' | 'recurrence' | 'audience'>;

/** Whether a closure takes an occurrence away: an all-day one where it takes the whole day, a timed one within its hours. */
function takes(closure: Closure, at: Moment, minutes: number): boolean {
  const date = dayOf(at);
  if (isDay(at)) return isWhole(closure) && isOn(closure, date);
  const start = at.wall.toPlainTime();
  const ends = at.wall.add({ minutes: Math.max(1, minutes) });
  const end = ends.toPlainDate().equals(date) ? ends.toPlainTime() : new Temporal.PlainTime(23, 59);
  return closes(closure, { date, start, end });
}

/** The occurrences of a series on days without classes: closed for every course that it is for. */
export function closedOccurrences({ when, recurrence, audience }: Series, closures: readonly Closure[]): Moment[] {
  if (!recurrence) return [];
  const minutes =
    isDay(when.start) || !when.end || isDay(when.end) ? 0 : when.start.wall.until(when.end.wall).total('minutes');
  const { closed: _, ...rule } = recurrence;
  const found = new Map<string, Moment>();
  for (const closure of closures) {
    if (closure.online || !audience.every((part) => concernsPart(closure, part))) continue;
    const span = { from: closure.start, to: closure.end };
    for (const { recurrenceId } of expandSeries(when.start, { ...rule, exdates: [], overrides: [] }, span))
      if (takes(closure, recurrenceId, minutes)) found.set(String('wall' in recurrenceId ? recurrenceId.wall : recurrenceId), recurrenceId);
  }
  return [...found].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, at]) => at);
} // prettier-ignore
