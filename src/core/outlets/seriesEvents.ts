import { goneFrom } from '../series/recurrence';
import { Temporal } from 'temporal-polyfill';
import type { VEvent } from '../icalendar/calendar';
import type { Recurrence } from '../series/recurrence';
import { entryTexts } from '../texts/entries';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import { isDay } from '../time/zonedWall';
import type { Moment } from '../time/zonedWall';
import { endOfOccurrence } from '../series/endOfOccurrence';
import { describe } from './eventParts';

/** A series as RFC 5545 writes it: the rule once, and a component with RECURRENCE-ID for each occurrence that differs. */
export function seriesEvents(
  series: VEvent,
  {
    recurrence,
    zone,
    name,
    text,
  }: Readonly<{
    recurrence: Recurrence;
    zone: Zone;
    name: (title: string) => string;
    /** What a component says, for such a formatted text. */
    text: (description: string) => Pick<VEvent, 'description' | 'styledDescription'>;
  }>,
): VEvent[] {
  const single = recurrence.overrides.map((override): VEvent => {
    const start = override.start ?? override.recurrenceId;
    const own = override.description === undefined ? {} : text(override.description);
    const { description = series.description } = own;
    return {
      ...series,
      recurrenceId: override.recurrenceId,
      dtstart: start,
      dtend: override.end ?? endOfOccurrence({ start: series.dtstart, end: series.dtend }, start, zone),
      summary: override.title ? name(override.title) : series.summary,
      location: override.place ?? series.location,
      ...own,
      ...(override.cancelled === undefined
        ? {}
        : {
            status: 'CANCELLED' as const,
            transp: 'TRANSPARENT' as const,
            description: describe([entryTexts.cancelled({ reason: override.cancelled }), description]),
          }),
    };
  });
  return [
    { ...series, rrule: feedRule(recurrence.rrule, zone, series.dtstart), exdates: goneFrom(recurrence) },
    ...single,
  ];
}

/** UNTIL of a zoned series is in UTC (RFC 5545 section 3.3.10), taken from the local end at that date's offset. */
function feedRule(rrule: string, zone: Zone, dtstart: Moment): string {
  return rrule.replace(
    /UNTIL=(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2}))?/,
    (_whole, y: string, m: string, d: string, h?: string, min?: string, sec?: string) => {
      if (isDay(dtstart)) return `UNTIL=${y}${m}${d}`;
      const wall = Temporal.PlainDateTime.from(`${y}-${m}-${d}T${h ?? '23'}:${min ?? '59'}:${sec ?? '59'}`);
      return `UNTIL=${toInstant(zone, wall).toString({ smallestUnit: 'second' }).replace(/[-:]/g, '')}`;
    },
  );
}
