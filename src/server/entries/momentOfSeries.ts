import { Temporal } from 'temporal-polyfill';
import type { EventEntry } from '@/core/entries/entry';
import type { Moment } from '@/core/time/zonedWall';
import { isDay } from '@/core/time/zonedWall';

/** A recurrence id as it was sent, as a moment of the series; undefined where none was, or one is a day and the other a wall time. */
export function momentOfSeries(
  entry: EventEntry,
  sent: Temporal.PlainDate | Temporal.PlainDateTime | undefined,
): Moment | undefined {
  const { start } = entry.when;
  if (!sent) return undefined;
  if (sent instanceof Temporal.PlainDate) return isDay(start) ? sent : undefined;
  return isDay(start) ? undefined : { wall: sent, tzid: start.tzid };
}
