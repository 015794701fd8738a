import type { ZoneLookup } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { CalendarUser, VCalendar, VEvent, VTombstone } from './calendar';
import { foldLine } from './foldLine';
import { escapeText, parameterValue, safeUri } from './text';
import { momentProperty, utcValue } from './values';
import { vtimezoneLines } from './vtimezone';

const PRODID = '-//Pembit//Pembit calendar//EN';

const text = (name: string, value: string | undefined): string[] =>
  value === undefined || value === '' ? [] : [`${name}:${escapeText(value)}`];

function uri(name: string, value: string | undefined): string[] {
  const safe = value === undefined ? undefined : safeUri(value);
  return safe === undefined ? [] : [`${name}:${safe}`];
}

/** A calendar user as parameter and value: the name quoted, as RFC 6868 has it. */
const named = ({ name, email }: CalendarUser): string => `;CN=${parameterValue(name)}:mailto:${email}`;

function eventLines(event: VEvent): string[] {
  return [
    'BEGIN:VEVENT',
    `UID:${escapeText(event.uid)}`,
    `DTSTAMP:${utcValue(event.dtstamp)}`,
    ...(event.recurrenceId ? [momentProperty('RECURRENCE-ID', event.recurrenceId)] : []),
    momentProperty('DTSTART', event.dtstart),
    ...(event.dtend ? [momentProperty('DTEND', event.dtend)] : []),
    ...(event.rrule ? [`RRULE:${event.rrule}`] : []),
    ...(event.exdates ?? []).map((at) => momentProperty('EXDATE', at)),
    ...text('SUMMARY', event.summary),
    ...text('DESCRIPTION', event.description),
    // Customary beside RFC 9073's property: older readers know the second.
    ...text('STYLED-DESCRIPTION;VALUE=TEXT;FMTTYPE=text/html', event.styledDescription),
    ...text('X-ALT-DESC;FMTTYPE=text/html', event.styledDescription),
    ...text('LOCATION', event.location),
    ...uri('URL', event.url),
    ...uri('CONFERENCE;VALUE=URI;FEATURE=VIDEO', event.conference),
    ...(event.categories?.length ? [`CATEGORIES:${event.categories.map(escapeText).join(',')}`] : []),
    ...(event.color ? [`COLOR:${event.color}`] : []),
    ...(event.organizer ? [`ORGANIZER${named(event.organizer)}`] : []),
    // No answer is wanted: one gives a time back in Pembit.
    ...(event.attendee
      ? [
          `ATTENDEE;CUTYPE=INDIVIDUAL;ROLE=REQ-PARTICIPANT;PARTSTAT=ACCEPTED;RSVP=FALSE${named(event.attendee)}`,
        ]
      : []),
    `CLASS:${event.class}`,
    `TRANSP:${event.transp}`,
    ...(event.status ? [`STATUS:${event.status}`] : []),
    `SEQUENCE:${event.sequence}`,
    `CREATED:${utcValue(event.created)}`,
    `LAST-MODIFIED:${utcValue(event.lastModified)}`,
    ...(event.alarms ?? []).flatMap((minutes) => alarmLines(event, minutes)),
    'END:VEVENT',
  ];
}

/** RFC 5545 section 3.6.6: a reminder that is shown. */
const alarmLines = (event: VEvent, minutes: number): string[] => [
  'BEGIN:VALARM',
  'ACTION:DISPLAY',
  `DESCRIPTION:${escapeText(event.summary)}`,
  `TRIGGER:-PT${minutes}M`,
  'END:VALARM',
];

const tombstoneLines = ({ uid, dtstamp, dtstart, sequence }: VTombstone): string[] => [
  'BEGIN:VEVENT',
  `UID:${escapeText(uid)}`,
  `DTSTAMP:${utcValue(dtstamp)}`,
  momentProperty('DTSTART', dtstart),
  `SEQUENCE:${sequence}`,
  'STATUS:CANCELLED',
  'END:VEVENT',
];

/** About when a series ends: its UNTIL, or, without one, as long as anybody plans ahead. */
function lastOf(dtstart: Moment, rrule: string): Moment {
  if (isDay(dtstart)) return dtstart;
  const until = /UNTIL=(\d{4})/.exec(rrule)?.[1];
  const year = until ? Number(until) : dtstart.wall.year + YEARS_AHEAD;
  return { ...dtstart, wall: dtstart.wall.with({ year }) };
}
const YEARS_AHEAD = 5;

/** One VTIMEZONE for each TZID used, over the years in use and one on either side. */
function zoneLines(
  events: readonly (Pick<VEvent, 'dtstart'> & Partial<VEvent>)[],
  zoneOf: ZoneLookup,
): string[] {
  const years = new Map<string, { fromYear: number; toYear: number }>();
  const note = (moment: Moment | undefined) => {
    if (!moment || isDay(moment) || moment.tzid === 'UTC') return;
    const { wall, tzid } = moment;
    const known = years.get(tzid) ?? { fromYear: wall.year - 1, toYear: wall.year + 1 };
    years.set(tzid, {
      fromYear: Math.min(known.fromYear, wall.year - 1),
      toYear: Math.max(known.toYear, wall.year + 1),
    });
  };
  for (const event of events) {
    note(event.dtstart);
    note(event.dtend);
    note(event.recurrenceId);
    if (event.rrule) note(lastOf(event.dtstart, event.rrule));
  }
  return [...years].sort().flatMap(([tzid, range]) => vtimezoneLines(zoneOf(tzid), range));
}

const folded = (lines: readonly string[]): string => lines.map(foldLine).join('');

/**
 * An iCalendar stream (RFC 5545, with RFC 7986's calendar properties): CRLF, folded, without METHOD unless it is a message, the same bytes for
 * the same content. NAME and REFRESH-INTERVAL are doubled by the customary X- properties that older readers know.
 */
export function writeCalendar(calendar: VCalendar, zoneOf: ZoneLookup): string {
  const { name, description, refreshMinutes, tombstones = [] } = calendar;
  const head = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    `PRODID:${PRODID}`,
    'CALSCALE:GREGORIAN',
    ...(calendar.method ? [`METHOD:${calendar.method}`] : []),
    ...text('NAME', name),
    ...text('X-WR-CALNAME', name),
    ...text('DESCRIPTION', description),
    ...text('X-WR-CALDESC', description),
    ...uri('URL', calendar.url),
    ...(calendar.color ? [`COLOR:${calendar.color}`] : []),
    ...(refreshMinutes
      ? [`REFRESH-INTERVAL;VALUE=DURATION:PT${refreshMinutes}M`, `X-PUBLISHED-TTL:PT${refreshMinutes}M`]
      : []),
    ...uri('SOURCE;VALUE=URI', calendar.source),
    ...zoneLines([...calendar.events, ...tombstones], zoneOf),
  ];
  // Component by component: a list of all lines of a large feed costs more than their writing.
  return [
    folded(head),
    ...calendar.events.map((event) => folded(eventLines(event))),
    ...tombstones.map((tombstone) => folded(tombstoneLines(tombstone))),
    folded(['END:VCALENDAR']),
  ].join('');
}
