import { expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import { readCalendar } from '../icalendar/readCalendar';
import { calendarAsList } from './calendarAsList';
import { readSchedule } from './readSchedule';

const day = (text: string) => Temporal.PlainDate.from(text);
const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
const event = (name: string, ...lines: string[]) =>
  ['BEGIN:VEVENT', `UID:${name}`, 'DTSTAMP:20260901T000000Z', `SUMMARY:${name}`, ...lines, 'END:VEVENT'].join(
    '\r\n',
  );
const read = (...events: string[]) => {
  const file = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...events, 'END:VCALENDAR', ''].join(
    '\r\n',
  );
  const list = calendarAsList(readCalendar(new TextEncoder().encode(file), { tzid: 'America/Halifax' }), 'America/Halifax'); // prettier-ignore
  return readSchedule(list.join('\n'), { term, classes: [], locale: 'en-CA' });
};
const said = (lines: ReturnType<typeof read>) =>
  lines.map(({ kind, title, date, to, time, end, asks }) =>
    [kind, title, date, to, time, end, ...asks.map(({ field }) => `${field}?`)].filter(Boolean).join(' '),
  );

test('a calendar becomes lines of a schedule, by the school’s clocks and in the order of time', () => {
  const lines = read(
    event('Harbour visit', 'DTSTART:20261024T113000Z', 'DTEND:20261024T150000Z', 'URL:https://h.example/v'),
    event('Night watch', 'DTSTART:20261016T230000', 'DTEND:20261017T020000'),
    event('Fair', 'DTSTART;VALUE=DATE:20261026', 'DTEND;VALUE=DATE:20261029'),
    event('No classes', 'DTSTART;VALUE=DATE:20261109', 'DTEND;VALUE=DATE:20261114'),
    event('Rope walk', 'DTSTART:20261005T160000', 'DTEND:20261005T170000', 'RRULE:FREQ=WEEKLY;COUNT=2'),
  );
  expect(said(lines)).toEqual([
    'event Rope walk 2026-10-05 16:00 17:00',
    'event Rope walk 2026-10-12 16:00 17:00',
    'event Night watch 2026-10-16 2026-10-17 23:00 02:00',
    'event Harbour visit 2026-10-24 08:30 12:00',
    'event Fair 2026-10-26 2026-10-28',
    'closure No classes 2026-11-09 2026-11-13',
  ]);
  expect(lines[3]!.link).toBe('https://h.example/v');
});

test('what sounds like work is asked; what was called off plans nothing; what cannot be read is asked for its day', () => {
  expect(
    said(
      read(
        event('Essay 1 due', 'DTSTART:20261103T170000'),
        event('Talk', 'DTSTART:20261104T170000', 'STATUS:CANCELLED'),
        event('Regatta', 'DTSTART:never'),
      ),
    ),
  ).toEqual(['due Essay 1 due 2026-11-03 17:00 kind?', 'nothing', 'event Regatta date?']);
});
