import type { ZoneLookup } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import type { CalendarUser, VCalendar, VEvent, VFreeBusy, VTodo, VTombstone } from './calendar';
import { foldLine } from './foldLine';
import { escapeText, parameterValue, safeUri } from './text';
import { momentProperty, utcValue } from './values';
import { vtimezoneLines } from './vtimezone';

const PRODID = '-//Pembit//Pembit calendar//EN';

/** A content line whose value is TEXT, or nothing where there is none. */
const text = (name: string, value: string | undefined): string =>
  value === undefined || value === '' ? '' : foldLine(`${name}:${escapeText(value)}`);

function uri(name: string, value: string | undefined): string {
  const safe = value === undefined ? undefined : safeUri(value);
  return safe === undefined ? '' : foldLine(`${name}:${safe}`);
}

/** A line that is never too long: most of a feed is such lines. */
const short = (name: string, value: string | number | undefined): string =>
  value === undefined || value === '' ? '' : `${name}:${value}\r\n`;

const moment = (name: string, value: Moment | undefined): string =>
  value ? `${momentProperty(name, value)}\r\n` : '';

const plain = (name: string, value: string | undefined): string =>
  value === undefined || value === '' ? '' : foldLine(`${name}:${value}`);

/** A calendar user as parameter and value: the name quoted, as RFC 6868 has it. */
const named = ({ name, email }: CalendarUser): string => `;CN=${parameterValue(name)}:mailto:${email}`;

/** RFC 7986 section 6.4, where there is one. */
const labelled = (label: string | undefined): string => (label ? `;LABEL=${parameterValue(label)}` : '');

// A large feed writes a hundred thousand lines: they are put together as they come, without lists of them.
function eventText(event: VEvent): string {
  const { categories = [], organizer, attendee } = event;
  return (
    'BEGIN:VEVENT\r\n' +
    text('UID', event.uid) +
    short('DTSTAMP', utcValue(event.dtstamp)) +
    moment('RECURRENCE-ID', event.recurrenceId) +
    moment('DTSTART', event.dtstart) +
    moment('DTEND', event.dtend) +
    plain('RRULE', event.rrule) +
    (event.exdates ?? []).map((at) => moment('EXDATE', at)).join('') +
    text('SUMMARY', event.summary) +
    text('DESCRIPTION', event.description) +
    // Customary beside RFC 9073's property: older readers know the second.
    text('STYLED-DESCRIPTION;VALUE=TEXT;FMTTYPE=text/html', event.styledDescription) +
    text('X-ALT-DESC;FMTTYPE=text/html', event.styledDescription) +
    text('LOCATION', event.location) +
    uri('URL', event.url) +
    uri(`CONFERENCE;VALUE=URI;FEATURE=VIDEO${labelled(event.conferenceLabel)}`, event.conference) +
    plain('CATEGORIES', categories.map(escapeText).join(',')) +
    short('COLOR', event.color) +
    (organizer ? foldLine(`ORGANIZER${named(organizer)}`) : '') +
    // No answer is wanted: one gives a time back in Pembit.
    (attendee
      ? foldLine(
          `ATTENDEE;CUTYPE=INDIVIDUAL;ROLE=REQ-PARTICIPANT;PARTSTAT=ACCEPTED;RSVP=FALSE${named(attendee)}`,
        )
      : '') +
    short('CLASS', event.class) +
    short('TRANSP', event.transp) +
    short('STATUS', event.status) +
    short('SEQUENCE', event.sequence) +
    short('CREATED', utcValue(event.created)) +
    short('LAST-MODIFIED', utcValue(event.lastModified)) +
    (event.alarms ?? []).map((minutes) => alarmText(event, minutes)).join('') +
    'END:VEVENT\r\n'
  );
}

const todoText = (todo: VTodo): string =>
  'BEGIN:VTODO\r\n' +
  text('UID', todo.uid) +
  short('DTSTAMP', utcValue(todo.dtstamp)) +
  moment('DUE', todo.due) +
  text('SUMMARY', todo.summary) +
  text('DESCRIPTION', todo.description) +
  uri('URL', todo.url) +
  plain('CATEGORIES', (todo.categories ?? []).map(escapeText).join(',')) +
  short('COLOR', todo.color) +
  text('RELATED-TO', todo.relatedTo) +
  short('STATUS', todo.status) +
  short('PERCENT-COMPLETE', todo.status === 'COMPLETED' ? 100 : 0) +
  short('COMPLETED', todo.completed && utcValue(todo.completed)) +
  short('SEQUENCE', todo.sequence) +
  short('CREATED', utcValue(todo.created)) +
  short('LAST-MODIFIED', utcValue(todo.lastModified)) +
  'END:VTODO\r\n';

function freeBusyText({ uid, dtstamp, url, periods }: VFreeBusy): string {
  const ends = periods.map(({ end }) => end).sort((a, b) => a.epochMilliseconds - b.epochMilliseconds);
  return (
    'BEGIN:VFREEBUSY\r\n' +
    text('UID', uid) +
    short('DTSTAMP', utcValue(dtstamp)) +
    short('DTSTART', periods[0] && utcValue(periods[0].start)) +
    short('DTEND', ends.at(-1) && utcValue(ends.at(-1)!)) +
    uri('URL', url) +
    periods
      .map(({ type, start, end }) => `FREEBUSY;FBTYPE=${type}:${utcValue(start)}/${utcValue(end)}\r\n`)
      .join('') +
    'END:VFREEBUSY\r\n'
  );
}

/** RFC 5545 section 3.6.6: a reminder that is shown. */
const alarmText = (event: VEvent, minutes: number): string =>
  `BEGIN:VALARM\r\nACTION:DISPLAY\r\n${text('DESCRIPTION', event.summary)}TRIGGER:-PT${minutes}M\r\nEND:VALARM\r\n`;

const tombstoneText = ({ uid, dtstamp, dtstart, sequence, summary }: VTombstone): string =>
  `BEGIN:VEVENT\r\n${text('UID', uid)}${short('DTSTAMP', utcValue(dtstamp))}${moment('DTSTART', dtstart)}${summary ? text('SUMMARY', summary) : ''}SEQUENCE:${sequence}\r\nSTATUS:CANCELLED\r\nEND:VEVENT\r\n`;

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
    const year = Number(momentText(moment).slice(0, 4));
    const known = years.get(moment.tzid);
    if (known && known.fromYear < year && year < known.toYear) return;
    years.set(moment.tzid, {
      fromYear: Math.min(known?.fromYear ?? year, year - 1),
      toYear: Math.max(known?.toYear ?? year, year + 1),
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

/**
 * An iCalendar stream (RFC 5545, with RFC 7986's calendar properties): CRLF, folded, without METHOD unless it is a message, the same bytes for
 * the same content. NAME and REFRESH-INTERVAL are doubled by the customary X- properties that older readers know.
 */
export function writeCalendar(calendar: VCalendar, zoneOf: ZoneLookup): string {
  const { name, description, refreshMinutes, zone, freeBusy, todos = [], tombstones = [] } = calendar;
  const empty = calendar.events.length + todos.length + tombstones.length === 0 && !freeBusy;
  return [
    'BEGIN:VCALENDAR\r\nVERSION:2.0\r\n',
    plain('PRODID', PRODID),
    plain('CALSCALE', 'GREGORIAN'),
    plain('METHOD', calendar.method),
    text('NAME', name),
    text('X-WR-CALNAME', name),
    text('DESCRIPTION', description),
    text('X-WR-CALDESC', description),
    uri('URL', calendar.url),
    plain('COLOR', calendar.color),
    ...(refreshMinutes
      ? [
          plain('REFRESH-INTERVAL;VALUE=DURATION', `PT${refreshMinutes}M`),
          plain('X-PUBLISHED-TTL', `PT${refreshMinutes}M`),
        ]
      : []),
    uri('SOURCE;VALUE=URI', calendar.source),
    ...(empty && zone
      ? vtimezoneLines(zoneOf(zone.tzid), { fromYear: zone.year, toYear: zone.year })
      : zoneLines([...calendar.events, ...tombstones, ...todos.map(({ due }) => ({ dtstart: due }))], zoneOf)
    ).map(foldLine),
    ...calendar.events.map(eventText),
    ...todos.map(todoText),
    freeBusy ? freeBusyText(freeBusy) : '',
    ...tombstones.map(tombstoneText),
    'END:VCALENDAR\r\n',
  ].join('');
}
