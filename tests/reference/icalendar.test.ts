import ICAL from 'ical.js';
import nodeIcal from 'node-ical';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import type { VCalendar, VEvent } from '@/core/icalendar/calendar';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Moment } from '@/core/time/zonedWall';
import { isDay, zonedWall } from '@/core/time/zonedWall';
import { complaintsAbout } from '../support/strictIcs';

const at = Temporal.Instant.from('2026-10-01T12:00Z');
const event = (uid: string, changes: Partial<VEvent>): VEvent => ({
  uid,
  dtstamp: at,
  dtstart: zonedWall('2026-10-15T17:00', 'America/Halifax'),
  summary: 'Half-breadth plan',
  class: 'PUBLIC',
  transp: 'OPAQUE',
  sequence: 0,
  created: at,
  lastModified: at,
  ...changes,
});
const calendar = (...events: VEvent[]): VCalendar => ({
  name: 'HL 210 Hull lofting',
  refreshMinutes: 60,
  events,
});
const write = (cal: VCalendar) => writeCalendar(cal, requireZone);

const HARD_TEXTS = [
  'commas, semicolons; back\\slashes',
  'two\nlines and\r\nthree',
  '“Ünïcödé” ⚓ '.repeat(20),
  '👩‍🏫🧭'.repeat(40),
  'BEGIN:VEVENT',
  'x'.repeat(10_000),
  'a\u0000control\u0007character',
];

describe('a written calendar', () => {
  const file = write(
    calendar(
      event('timed', {
        dtend: zonedWall('2026-10-15T18:00', 'America/Halifax'),
        location: 'The loft',
        url: 'https://example.org/a?b=c&d=e,f',
      }),
      event('due', { transp: 'TRANSPARENT' }),
      event('day', {
        dtstart: Temporal.PlainDate.from('2026-10-15'),
        dtend: Temporal.PlainDate.from('2026-10-17'),
      }),
      event('utc', { dtstart: zonedWall('2026-11-01T05:30', 'UTC') }),
      event('elsewhere', { dtstart: zonedWall('2026-06-15T09:00', 'Europe/Lisbon') }),
      ...HARD_TEXTS.map((text, i) =>
        event(`text ${i}`, { summary: text, description: text, categories: [text] }),
      ),
    ),
  );

  test('draws no complaint from the checker written from RFC 5545 and RFC 7986', () => {
    expect(complaintsAbout(Buffer.from(file))).toEqual([]);
  });

  test('is read by ical.js with the same texts', () => {
    const parsed = new ICAL.Component(ICAL.parse(file) as unknown[]);
    const summaries = parsed
      .getAllSubcomponents('vevent')
      .map((c) => [c.getFirstPropertyValue('uid'), c.getFirstPropertyValue('summary')]);
    expect(new Map(summaries as [string, string][]).get('text 0')).toBe(HARD_TEXTS[0]);
    expect(new Map(summaries as [string, string][]).get('text 1')).toBe('two\nlines and\nthree');
    expect(new Map(summaries as [string, string][]).get('text 2')).toBe(HARD_TEXTS[2]);
    expect(new Map(summaries as [string, string][]).get('text 3')).toBe(HARD_TEXTS[3]);
    expect(new Map(summaries as [string, string][]).get('text 5')).toBe(HARD_TEXTS[5]);
    expect(new Map(summaries as [string, string][]).get('text 6')).toBe('acontrolcharacter');
  });

  test('is read by node-ical with the same instants', () => {
    const parsed = nodeIcal.sync.parseICS(file) as Record<string, { start: Date; end?: Date }>;
    expect(parsed.timed!.start.toISOString()).toBe('2026-10-15T20:00:00.000Z');
    expect(parsed.timed!.end!.toISOString()).toBe('2026-10-15T21:00:00.000Z');
    expect(parsed.utc!.start.toISOString()).toBe('2026-11-01T05:30:00.000Z');
    expect(parsed.elsewhere!.start.toISOString()).toBe('2026-06-15T08:00:00.000Z');
  });

  test('is the same bytes for the same content', () => {
    const once = calendar(event('a', {}), event('b', { summary: 'Über' }));
    expect(write(once)).toBe(write({ ...once }));
  });
});

test('a link cannot begin a property of its own, and only harmless schemes are written', () => {
  const file = write(
    calendar(
      event('a', { url: 'https://x.example/\r\nX-INJECTED:1' }),
      event('b', { url: 'javascript:alert(1)' }),
    ),
  );
  expect(file).not.toContain('X-INJECTED');
  expect(file).not.toContain('javascript');
});

test('whatever the text, the checker and ical.js read it back', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => {
      fc.pre(!/\p{Surrogate}/u.test(text));
      const file = write(calendar(event('a', { summary: `s${text}`, description: text })));
      expect(complaintsAbout(Buffer.from(file))).toEqual([]);
      const parsed = new ICAL.Component(ICAL.parse(file) as unknown[]).getFirstSubcomponent('vevent')!;

      const kept = `s${text}`.replace(/\r\n?/g, '\n').replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '');
      expect(parsed.getFirstPropertyValue('summary')).toBe(kept);
    }),
    { numRuns: 300 },
  );
});

/** The twelve zones in which the data of present Node releases is out of date from 2026 on, and others of every make. */
const ZONES = [
  'America/Vancouver', 'America/Edmonton', 'America/Winnipeg', 'America/Inuvik', 'America/Yellowknife', 'America/Rainy_River',
  'America/Havana', 'Canada/Pacific', 'Canada/Mountain', 'Canada/Central', 'Africa/Casablanca', 'Africa/El_Aaiun',
  'America/Halifax', 'America/St_Johns', 'America/New_York', 'America/Phoenix', 'America/Santiago', 'America/Sao_Paulo',
  'Europe/London', 'Europe/Lisbon', 'Europe/Dublin', 'Europe/Moscow', 'Asia/Kathmandu', 'Asia/Kolkata', 'Asia/Jerusalem',
  'Australia/Lord_Howe', 'Australia/Sydney', 'Pacific/Auckland', 'Pacific/Chatham', 'Africa/Cairo', 'Asia/Tokyo',
]; // prettier-ignore

/** Instants by the VTIMEZONE in the file alone, through ical.js, which knows no zones of its own. */
function instantsByVtimezone(file: string): string[] {
  const parsed = new ICAL.Component(ICAL.parse(file) as unknown[]);
  const zone = new ICAL.Timezone(parsed.getFirstSubcomponent('vtimezone')!);
  return parsed.getAllSubcomponents('vevent').map((component) => {
    const time = component.getFirstPropertyValue('dtstart') as InstanceType<typeof ICAL.Time>;
    time.zone = zone;
    return new Date(time.toUnixTime() * 1000).toISOString();
  });
}

describe('the VTIMEZONE of each zone says what the zone data says, 2025 to 2028, two times a week', () => {
  test.each(ZONES)('%s', (tzid) => {
    const zone = requireZone(tzid);
    const moments: Moment[] = [];
    for (let day = Temporal.PlainDate.from('2025-01-01'); day.year < 2029; day = day.add({ days: 3 }))
      moments.push({ wall: day.toPlainDateTime('12:00'), tzid });
    const file = write(calendar(...moments.map((dtstart, i) => event(String(i), { dtstart }))));
    expect(complaintsAbout(Buffer.from(file))).toEqual([]);
    const expected = moments.map((m) =>
      isDay(m) ? '' : toInstant(zone, m.wall).toString().replace('Z', '.000Z'),
    );
    expect(instantsByVtimezone(file)).toEqual(expected);
  });
});

describe('the checker complains of', () => {
  const file = (series: string[], ...singles: string[][]) =>
    Buffer.from(
      ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...[series, ...singles].flatMap((lines) => ['BEGIN:VEVENT', 'UID:a', 'DTSTAMP:20261001T000000Z', ...lines, 'END:VEVENT']), 'END:VCALENDAR', ''].join('\r\n'),
    ); // prettier-ignore
  const START = 'DTSTART:20261013T140000Z';
  const single = (id = 'RECURRENCE-ID:20261020T140000Z') => [id, 'DTSTART:20261020T150000Z'];
  test('nothing in a series with an occurrence that differs', () =>
    expect(
      complaintsAbout(file([START, 'RRULE:FREQ=WEEKLY;COUNT=3', 'EXDATE:20261027T140000Z'], single())),
    ).toEqual([]));
  test.each([
    ['a part of a rule twice', [START, 'RRULE:FREQ=WEEKLY;COUNT=3;COUNT=4'], []],
    ['a rule that ends before it begins', [START, 'RRULE:FREQ=WEEKLY;UNTIL=20261001T000000Z'], []],
    ['a rule that ends twice', [START, 'RRULE:FREQ=WEEKLY;COUNT=3;UNTIL=20261101T000000Z'], []],
    ['a day out of its range', [START, 'RRULE:FREQ=MONTHLY;BYMONTHDAY=32'], []],
    ['weekdays counted in a week', [START, 'RRULE:FREQ=WEEKLY;BYDAY=1MO'], []],
    ['an occurrence of no series', [START], single()],
    ['an occurrence that is gone from its series', [START, 'RRULE:FREQ=WEEKLY', 'EXDATE:20261020T140000Z'], single()],
    ['a day taken out of a series of times', [START, 'RRULE:FREQ=WEEKLY', 'EXDATE;VALUE=DATE:20261020'], []],
    ['an occurrence named by another type', [START, 'RRULE:FREQ=WEEKLY'], single('RECURRENCE-ID;VALUE=DATE:20261020')],
  ])('%s', (_, series, other) =>
    expect(complaintsAbout(file(series, ...(other.length > 0 ? [other] : [])))).toHaveLength(1),
  ); // prettier-ignore
});
