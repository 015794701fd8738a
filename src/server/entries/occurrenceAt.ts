import { Temporal } from 'temporal-polyfill';
import type { Series } from '@/core/series/editSeries';
import { hasOccurrence } from '@/core/series/editSeries';
import type { Moment } from '@/core/time/zonedWall';
import { isDay } from '@/core/time/zonedWall';

/**
 * The occurrence of a series that a recurrence id, as it was sent, names; undefined where none was sent, where one is a day
 * and the other a wall time, and where the series does not take place then.
 */
export function occurrenceAt(
  entry: Series,
  sent: Temporal.PlainDate | Temporal.PlainDateTime | undefined,
): Moment | undefined {
  const { start } = entry.when;
  if (!sent || sent instanceof Temporal.PlainDate !== isDay(start)) return undefined;
  const at = sent instanceof Temporal.PlainDate ? sent : { wall: sent, tzid: entry.tzid };
  return hasOccurrence(entry, at) ? at : undefined;
}
