import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { requireZone } from '../time/zoneData';
import { zonedWall } from '../time/zonedWall';
import { foldLine } from './foldLine';
import { escapeText, safeUri } from './text';
import { writeCalendar } from './writeCalendar';

test('a file without content carries one VTIMEZONE: RFC 5545 section 3.6 asks for at least one component', () => {
  const file = writeCalendar(
    { name: 'Empty', zone: { tzid: 'America/Halifax', year: 2026 }, events: [] },
    requireZone,
  );
  expect(file.match(/BEGIN:\w+/g)).toEqual(['BEGIN:VCALENDAR', 'BEGIN:VTIMEZONE', 'BEGIN:STANDARD', 'BEGIN:DAYLIGHT', 'BEGIN:STANDARD']); // prettier-ignore
  expect(file).toContain('TZID:America/Halifax\r\n');
});

test('an event in a term across the change to winter time, as text', () => {
  const at = Temporal.Instant.from('2026-10-01T12:00Z');
  const file = writeCalendar(
    {
      name: 'HL 210',
      color: 'brown',
      source: 'https://pembit.example/feeds/x.ics',
      refreshMinutes: 60,
      events: [
        {
          uid: 'u1',
          dtstamp: at,
          dtstart: zonedWall('2026-11-05T10:00', 'America/Halifax'),
          dtend: zonedWall('2026-11-05T11:30', 'America/Halifax'),
          summary: 'HL: Moulds; stations 2, 3',
          class: 'PUBLIC',
          transp: 'OPAQUE',
          status: 'CONFIRMED',
          sequence: 2,
          created: at,
          lastModified: at,
        },
      ],
    },
    requireZone,
  );
  expect(file.replaceAll('\r\n', '\n')).toBe(`BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//Pembit//Pembit calendar//EN
CALSCALE:GREGORIAN
NAME:HL 210
X-WR-CALNAME:HL 210
COLOR:brown
REFRESH-INTERVAL;VALUE=DURATION:PT60M
X-PUBLISHED-TTL:PT60M
SOURCE;VALUE=URI:https://pembit.example/feeds/x.ics
BEGIN:VTIMEZONE
TZID:America/Halifax
BEGIN:STANDARD
DTSTART:20250101T000000
TZOFFSETFROM:-0400
TZOFFSETTO:-0400
END:STANDARD
BEGIN:DAYLIGHT
DTSTART:20250309T020000
TZOFFSETFROM:-0400
TZOFFSETTO:-0300
RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU
END:DAYLIGHT
BEGIN:STANDARD
DTSTART:20251102T020000
TZOFFSETFROM:-0300
TZOFFSETTO:-0400
RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU
END:STANDARD
END:VTIMEZONE
BEGIN:VEVENT
UID:u1
DTSTAMP:20261001T120000Z
DTSTART;TZID=America/Halifax:20261105T100000
DTEND;TZID=America/Halifax:20261105T113000
SUMMARY:HL: Moulds\\; stations 2\\, 3
CLASS:PUBLIC
TRANSP:OPAQUE
STATUS:CONFIRMED
SEQUENCE:2
CREATED:20261001T120000Z
LAST-MODIFIED:20261001T120000Z
END:VEVENT
END:VCALENDAR
`);
});

test('a fold counts octets, its own space included, and never splits a character', () => {
  expect(foldLine('x'.repeat(75))).toBe(`${'x'.repeat(75)}\r\n`);
  expect(foldLine('x'.repeat(76))).toBe(`${'x'.repeat(75)}\r\n x\r\n`);
  expect(foldLine(`${'x'.repeat(74)}é`)).toBe(`${'x'.repeat(74)}\r\n é\r\n`);
  expect(foldLine(`${'x'.repeat(73)}⚓`)).toBe(`${'x'.repeat(73)}\r\n ⚓\r\n`);
  expect(foldLine(`${'x'.repeat(72)}🧭`)).toBe(`${'x'.repeat(72)}\r\n 🧭\r\n`);
});

// RFC 5545 section 3.3.11 gives this worked example.
test('the worked example of TEXT escapes as published', () => {
  expect(escapeText('Project XYZ Final Review\nConference Room - 3B\nCome Prepared.')).toBe(
    'Project XYZ Final Review\\nConference Room - 3B\\nCome Prepared.',
  );
});

test.each([
  ['https://example.org/a', true],
  ['mailto:office@kittiwake.example', true],
  ['webcal://example.org/a.ics', true],
  ['javascript:alert(1)', false],
  ['data:text/html,x', false],
  ['//example.org', false],
  ['https://example.org/a b', false],
  ['https://example.org/\r\nX:1', false],
])('%j may be published: %s', (text, allowed) => expect(safeUri(text) !== undefined).toBe(allowed));
