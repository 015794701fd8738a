import { goneFrom } from '../series/recurrence';
import type { Temporal } from 'temporal-polyfill';
import type { SeenEntry } from '../entries/seenBy';
import type { VEvent } from '../icalendar/calendar';
import { ruleWalls } from '../series/expand';
import type { Series } from '../series/editSeries';
import { isSeries } from '../series/editSeries';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentText } from '../time/zonedWall';

type SeenEvent = Extract<SeenEntry, { kind: 'event' }>;

/** No rule that people plan by pauses longer. */
const YEARS = 5;

/** Whether something from a moment to another reaches a day; a whole day's end is the day after it. */
function reaches(day: Temporal.PlainDate, start: Moment, end: Moment | undefined): boolean {
  const last = momentText(dayOf(end ?? start));
  return end && isDay(end) ? last > day.toString() : last >= day.toString();
}

/** Whether any occurrence of a series, as it stands with all that was moved, is not over before a day. */
function seriesReaches(day: Temporal.PlainDate, { when, recurrence }: SeenEvent & Series): boolean {
  const { start, end } = when;
  const from = dayOf(start);
  const days = end ? from.until(dayOf(end), { largestUnit: 'days' }).days : 0;
  const moved = (at: Moment): Moment =>
    isDay(at) ? at.add({ days }) : { ...at, wall: at.wall.add({ days }) };
  if (recurrence.overrides.some((o) => reaches(day, o.start ?? o.recurrenceId, o.end ?? (end && moved(o.start ?? o.recurrenceId))))) return true; // prettier-ignore
  const other = new Set([...goneFrom(recurrence), ...recurrence.overrides.map((o) => o.recurrenceId)].map(momentText)); // prettier-ignore
  const wall = isDay(start) ? start.toPlainDateTime() : start.wall;
  const span = { from: day.subtract({ days: days + 1 }), to: day.add({ years: YEARS }) };
  return ruleWalls(wall, recurrence.rrule, span).some((at) => {
    const own: Moment = isDay(start) ? at.toPlainDate() : { wall: at, tzid: start.tzid };
    return !other.has(momentText(own)) && reaches(day, own, end && moved(own));
  });
}

/**
 * Which components a feed that looks back to a day keeps. A series is kept or left out as a whole, by all of its occurrences:
 * without its overrides what was moved or called off would come back.
 */
export function reachingBack(
  day: Temporal.PlainDate,
  entries: readonly SeenEntry[],
): (event: VEvent) => boolean {
  const series = new Map(
    entries.flatMap((entry) =>
      entry.kind === 'event' && isSeries(entry) ? [[entry.uid, seriesReaches(day, entry)] as const] : [],
    ),
  );
  return ({ uid, dtstart, dtend }) => series.get(uid) ?? reaches(day, dtstart, dtend);
}
