import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '../plan/occurrence';
import type { Course } from '../plan/plan';
import { titleOf } from '../plan/titleOf';
import type { ZoneLookup } from '../time/zone';
import { toInstant, withOffset } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay } from '../time/zonedWall';

/** So many events at most: a page is for people first. */
const MOST = 100;
const SCHEMA = 'https://schema.org';

type Node = Readonly<Record<string, unknown>>;
type Given = Readonly<{
  courses: readonly Course[];
  occurrences: readonly Occurrence[];
  /** Events before it are over. */
  today: Temporal.PlainDate;
  zoneOf: ZoneLookup;
}>;

/** ISO 8601, as schema.org's Date and DateTime: with the offset that holds then. */
const iso = (moment: Moment, zoneOf: ZoneLookup): string => {
  if (isDay(moment)) return moment.toString();
  const zone = zoneOf(moment.tzid);
  return withOffset(zone, toInstant(zone, moment.wall));
};

/** schema.org's endDate is the last day where days are meant; ours is the first that is free again. */
const ends = (end: Moment): Moment => (isDay(end) ? end.subtract({ days: 1 }) : end);

function eventOf(o: Extract<Occurrence, { kind: 'event' }>, zoneOf: ZoneLookup): Node {
  return {
    '@type': 'Event',
    name: titleOf(o),
    startDate: iso(o.start, zoneOf),
    ...(o.end ? { endDate: iso(ends(o.end), zoneOf) } : {}),
    eventStatus: `${SCHEMA}/${o.cancelled === undefined ? 'EventScheduled' : 'EventCancelled'}`,
    ...(o.place ? { location: { '@type': 'Place', name: o.place } } : {}),
  };
}

/**
 * What a public page holds, as machines read it: its courses and the events to come, in the words of schema.org (Course, Event;
 * names from memory) as JSON-LD 1.1. It says nothing that does not stand on the page.
 */
export function jsonLd({ courses, occurrences, today, zoneOf }: Given): Node {
  const events = occurrences
    .filter((o) => o.kind === 'event')
    .filter(({ start, end }) => Temporal.PlainDate.compare(dayOf(ends(end ?? start)), today) >= 0)
    .slice(0, MOST);
  return {
    '@context': SCHEMA,
    '@graph': [
      ...courses.map((course) => ({ '@type': 'Course', courseCode: course.code, name: course.title })),
      ...events.map((o) => eventOf(o, zoneOf)),
    ],
  };
}
