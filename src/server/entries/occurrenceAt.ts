import { Temporal } from 'temporal-polyfill';
import type { Series } from '@/core/series/editSeries';
import { hasOccurrence } from '@/core/series/editSeries';
import type { Moment } from '@/core/time/zonedWall';
import { historyTexts } from '@/core/texts/history';
import { dateLabel } from '@/core/time/dateLabels';
import { dayOf, isDay } from '@/core/time/zonedWall';

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

/** One of a series as histories name it: with the day that its rule gives it. */
export const titleAt = (title: string, at: Moment): string =>
  historyTexts.oneOf({ title, day: dateLabel(dayOf(at), 'short') });
