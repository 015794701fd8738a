import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { momentText } from '../time/zonedWall';
import type { ReadCalendar } from './readCalendar';
import { readCalendar } from './readCalendar';
import { occurrencesOfRead } from './readOccurrences';

const TZID = 'America/Halifax';
const octets = (text: string) => new TextEncoder().encode(text);
const file = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const vevent = (...lines: string[]) =>
  file('BEGIN:VEVENT', 'UID:u1', 'DTSTAMP:20261001T120000Z', 'SUMMARY:Harbour day', ...lines, 'END:VEVENT');
const read = (text: string | Uint8Array) =>
  readCalendar(typeof text === 'string' ? octets(text) : text, { tzid: TZID });
const span = { from: Temporal.PlainDate.from('2026-09-01'), to: Temporal.PlainDate.from('2026-12-31') };
const times = (calendar: ReadCalendar) =>
  calendar.events.flatMap((event) =>
    occurrencesOfRead(event, span).map(
      ({ start, end, cancelled }) =>
        `${momentText(start)}${end ? `/${momentText(end)}` : ''}${cancelled ? ' off' : ''}`,
    ),
  );
const said = (calendar: ReadCalendar) =>
  [...calendar.skipped, ...calendar.warnings].map(({ line, why }) => `${line}: ${why}`);

describe('files as they are found', () => {
  test.each([
    ['a whole day', 'DTSTART;VALUE=DATE:20261030\r\nDTEND;VALUE=DATE:20261031', ['2026-10-30/2026-10-31'], []],
    ['a day without VALUE=DATE', 'DTSTART:20261030', ['2026-10-30'], []],
    ['a time without a zone', 'DTSTART:20261030T100000', ['2026-10-30T10:00'], []],
    ['a time in UTC', 'DTSTART:20261030T130000Z', ['2026-10-30T13:00'], []],
    ['a length', 'DTSTART;TZID=America/Halifax:20261030T100000\r\nDURATION:PT1H30M', ['2026-10-30T10:00/2026-10-30T11:30'], []],
    ['a length of days over the change of clocks', 'DTSTART;TZID=America/Halifax:20261031T100000\r\nDURATION:P1D', ['2026-10-31T10:00/2026-11-01T10:00'], []],
    ['24 hours over the change of clocks', 'DTSTART;TZID=America/Halifax:20261031T100000\r\nDURATION:PT24H', ['2026-10-31T10:00/2026-11-01T09:00'], []],
    ['a Windows zone', 'DTSTART;TZID=Atlantic Standard Time:20261030T100000', ['2026-10-30T10:00'], ['7: The time zone “Atlantic Standard Time” was read as America/Halifax.']],
    ['a zone with a path before it', 'DTSTART;TZID=/vendor.example/20260101_1/Europe/Lisbon:20261030T100000', ['2026-10-30T10:00'], ['7: The time zone “/vendor.example/20260101_1/Europe/Lisbon” was read as Europe/Lisbon.']],
    ['an unknown zone', 'DTSTART;TZID=Nowhere:20261030T100000', ['2026-10-30T10:00'], ['7: The time zone “Nowhere” is not known. Its times were read as those of America/Halifax.']],
    ['a date that does not exist', 'DTSTART;VALUE=DATE:20260230', [], ['7: “20260230” is no date.']],
    ['a year before all plans', 'DTSTART;VALUE=DATE:16010101', [], ['7: The year 1601 lies outside 1970 to 2100.']],
    ['no start', 'LOCATION:Pier', [], ['3: It has no start.']],
    ['an end before the start', 'DTSTART:20261030T100000\r\nDTEND:20261030T090000', ['2026-10-30T10:00'], ['8: It ends before it starts. Its end was left out.']],
    ['an end of another kind', 'DTSTART:20261030T100000\r\nDTEND;VALUE=DATE:20261031', ['2026-10-30T10:00'], ['8: Its start is a day and its end a time, or the other way round. Its end was left out.']],
    ['an end and a length', 'DTSTART:20261030T100000\r\nDTEND:20261030T110000\r\nDURATION:PT5H', ['2026-10-30T10:00/2026-10-30T11:00'], ['9: It has an end and a duration. The end was taken.']],
    ['something of no length', 'DTSTART:20261030T100000\r\nDTEND:20261030T100000', ['2026-10-30T10:00'], []],
    ['cancelled', 'DTSTART;VALUE=DATE:20261030\r\nSTATUS:CANCELLED', ['2026-10-30 off'], []],
    ['every week in winter time, too', 'DTSTART;TZID=America/Halifax:20261027T100000\r\nRRULE:FREQ=WEEKLY;UNTIL=20261110T140000Z', ['2026-10-27T10:00', '2026-11-03T10:00', '2026-11-10T10:00'], []],
    ['COUNT counts what is left out', 'DTSTART:20261027T100000\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nEXDATE:20261103T100000', ['2026-10-27T10:00', '2026-11-10T10:00'], []],
    ['a date left out in UTC', 'DTSTART;TZID=America/Halifax:20261027T100000\r\nRRULE:FREQ=WEEKLY;COUNT=2\r\nEXDATE:20261103T140000Z', ['2026-10-27T10:00'], []],
    ['a day left out of a timed series', 'DTSTART:20261027T100000\r\nRRULE:FREQ=WEEKLY;COUNT=2\r\nEXDATE;VALUE=DATE:20261103', ['2026-10-27T10:00'], []],
    ['an extra date that the rule names as well counts once', 'DTSTART:20261027T100000\r\nRRULE:FREQ=WEEKLY;COUNT=2\r\nRDATE:20261103T100000,20261105T100000', ['2026-10-27T10:00', '2026-11-03T10:00', '2026-11-05T10:00'], []],
    ['more often than once a day', 'DTSTART:20261027T100000\r\nRRULE:FREQ=HOURLY', [], ['8: It repeats more often than once a day.']],
    ['an interval of nothing', 'DTSTART:20261027T100000\r\nRRULE:FREQ=DAILY;INTERVAL=0', [], ['8: It repeats in a way that is not understood: “FREQ=DAILY;INTERVAL=0”.']],
    ['a rule that names no day leaves the start alone', 'DTSTART:20261027T100000\r\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', ['2026-10-27T10:00'], []],
  ])('%s', (_, lines, expected, complaints) => {
    const calendar = read(vevent(...lines.split('\r\n')));
    expect(times(calendar)).toEqual(expected);
    expect(said(calendar)).toEqual(complaints);
  }); // prettier-ignore

  test('a byte order mark, bare line feeds, small letters, a folded character', () => {
    const [before, after] = ['SUMMARY:Havneb', 'øl'];
    const folded = [...octets(`begin:vcalendar\nbegin:vevent\nuid:u\ndtstart:20261030\n${before}`), ...octets(after).subarray(0, 1), 10, 32, ...octets(after).subarray(1), ...octets('\nend:vevent\nend:vcalendar\n')]; // prettier-ignore
    const calendar = read(Uint8Array.from([0xef, 0xbb, 0xbf, ...folded]));
    expect(calendar.events.map(({ title }) => title)).toEqual(['Havnebøl']);
    expect(said(calendar)).toEqual([]);
  });

  test('text that is not UTF-8 is read as Western European, with a word about it', () => {
    const bytes = octets(vevent('DTSTART:20261030', 'LOCATION:Caf~'));
    const calendar = read(bytes.map((byte) => (byte === 0x7e ? 0xe9 : byte)));
    expect(calendar.events[0]!.place).toBe('Café');
    expect(said(calendar)).toEqual(['8: This line is not UTF-8. It was read as Western European text.']);
  });

  test('one event that is not understood does not take the others along, and is counted with its line', () => {
    const calendar = read(
      file('BEGIN:VEVENT', 'UID:a', 'SUMMARY:Bad', 'DTSTART:tomorrow', 'END:VEVENT', 'BEGIN:VFREEBUSY', 'END:VFREEBUSY', 'BEGIN:VEVENT', 'UID:__proto__', 'SUMMARY:Good', 'DTSTART:20261030', 'END:VEVENT'),
    ); // prettier-ignore
    expect(calendar.events.map(({ title, uid }) => [title, uid])).toEqual([['Good', '__proto__']]);
    expect(calendar.skipped).toEqual([
      { line: 6, title: 'Bad', why: '“tomorrow” is no date.' },
      { line: 8, title: undefined, why: 'VFREEBUSY is neither an event nor a task.' },
    ]);
  });

  test('of two with one UID the newer, and occurrences that differ are found by their instant', () => {
    const series = ['UID:s', 'SUMMARY:Rowing', 'DTSTART;TZID=America/Halifax:20261027T100000', 'RRULE:FREQ=WEEKLY;COUNT=3']; // prettier-ignore
    const calendar = read(
      file(
        'BEGIN:VEVENT', ...series, 'SEQUENCE:1', 'END:VEVENT', 'BEGIN:VEVENT', ...series, 'SEQUENCE:4', 'LOCATION:Slip', 'END:VEVENT',
        'BEGIN:VEVENT', 'UID:s', 'SUMMARY:Rowing, late', 'RECURRENCE-ID:20261103T140000Z', 'DTSTART;TZID=America/Halifax:20261103T150000', 'END:VEVENT',
        'BEGIN:VEVENT', 'UID:s', 'SUMMARY:Rowing', 'RECURRENCE-ID:20261110T140000Z', 'DTSTART:20261110T140000Z', 'STATUS:CANCELLED', 'END:VEVENT',
        'BEGIN:VEVENT', 'UID:lost', 'SUMMARY:Of a series elsewhere', 'RECURRENCE-ID:20261111T140000Z', 'DTSTART:20261112', 'END:VEVENT',
      ),
    ); // prettier-ignore
    expect(calendar.events[0]).toMatchObject({ sequence: 4, place: 'Slip' });
    expect(times(calendar)).toEqual([
      '2026-10-27T10:00',
      '2026-11-03T15:00',
      '2026-11-10T14:00 off',
      '2026-11-12',
    ]);
    expect(said(calendar)).toEqual(['10: The file has it twice. The newer one was taken.']);
  });

  test('what is no calendar says so', () => {
    expect(read('<html>Not found</html>')).toMatchObject({ ok: false, events: [] });
    expect(read('')).toMatchObject({ ok: false, events: [] });
  });
});

/*
 * RFC 5545 section 3.6.1 (from memory): the anniversary, an event of whole days every year, and the bastille day party with
 * its start in UTC and its end after it.
 */
test('worked examples of RFC 5545 section 3.6.1', () => {
  const calendar = read(
    file(
      'BEGIN:VEVENT', 'UID:19970901T130000Z-123403@example.com', 'DTSTAMP:19970901T130000Z', 'DTSTART;VALUE=DATE:19971102', 'SUMMARY:Our Blissful Anniversary',
      'TRANSP:TRANSPARENT', 'CLASS:CONFIDENTIAL', 'CATEGORIES:ANNIVERSARY,PERSONAL,SPECIAL OCCASION', 'RRULE:FREQ=YEARLY', 'END:VEVENT',
      'BEGIN:VEVENT', 'UID:20070423T123432Z-541111@example.com', 'DTSTAMP:20070423T123432Z', 'DTSTART;VALUE=DATE:20070628', 'DTEND;VALUE=DATE:20070709', 'SUMMARY:Festival International de Jazz de Montreal', 'TRANSP:TRANSPARENT', 'END:VEVENT',
    ),
  ); // prettier-ignore
  expect(times(calendar)).toEqual(['2026-11-02']);
  expect(momentText(calendar.events[1]!.end!)).toBe('2007-07-09');
  expect(said(calendar)).toEqual([]);
});

const PIECES = [
  'BEGIN:VCALENDAR', 'END:VCALENDAR', 'BEGIN:VEVENT', 'END:VEVENT', 'BEGIN:VTIMEZONE', 'END:VTIMEZONE', 'BEGIN:VALARM', 'UID:a', 'DTSTART:20261030T100000', 'DTSTART;VALUE=DATE:20261030',
  'DTEND:20261031', 'DURATION:P1D', 'DURATION:-PT1H', 'RRULE:FREQ=DAILY', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', 'RRULE:FREQ=MONTHLY;BYSETPOS=-1;BYDAY=MO,TU', 'RRULE:FREQ=WEEKLY;COUNT=99999',
  'EXDATE:20261030T100000,x', 'RDATE;VALUE=PERIOD:20261030T100000Z/PT1H', 'RECURRENCE-ID:20261030T100000', 'SUMMARY;LANGUAGE="a:b":Hello\\, you', ' folded', '\tfolded', ':', ';', 'X;=:', 'SUMMARY', 'DTSTART;TZID="A;B":20261030T100000', 'TZID:Nowhere',
]; // prettier-ignore

describe('whatever is in a file, it is read to its end, with a report', () => {
  const whole = (bytes: Uint8Array) => {
    const calendar = read(bytes);
    for (const event of calendar.events)
      expect(occurrencesOfRead(event, span).length).toBeLessThanOrEqual(2000);
    for (const { line, why } of [...calendar.skipped, ...calendar.warnings]) {
      expect(line).toBeGreaterThan(0);
      expect(why).toMatch(/^[^\u0000-\u001f]*\.$/);
    }
  };
  test('any octets', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 2000 }), (bytes) => whole(bytes)),
      { numRuns: 300 },
    );
  });
  test('any order of pieces', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...PIECES), { maxLength: 60 }), (pieces) =>
        whole(octets(pieces.join('\r\n'))),
      ),
      { numRuns: 500 },
    );
  });
  test('a good file with octets changed, doubled and gone', () => {
    const good = octets(
      vevent('DTSTART;TZID=America/Halifax:20261027T100000', 'RRULE:FREQ=WEEKLY;COUNT=3', 'EXDATE:20261103T100000', 'DESCRIPTION:Boats\\, oars', 'LOCATION:Slip'),
    ); // prettier-ignore
    const mutation = fc.record({ at: fc.nat(good.length - 1), byte: fc.nat(255), how: fc.constantFrom('set', 'drop', 'double') }); // prettier-ignore
    fc.assert(
      fc.property(fc.array(mutation, { maxLength: 12 }), (mutations) => {
        const bytes = [...good];
        for (const { at, byte, how } of mutations) {
          if (how === 'set') bytes[at % bytes.length] = byte;
          else bytes.splice(at % bytes.length, how === 'drop' ? 1 : 0, ...(how === 'drop' ? [] : [byte]));
        }
        whole(Uint8Array.from(bytes));
      }),
      { numRuns: 500 },
    );
  });
  test('parts nested beyond reason, and more of them than anybody plans', () => {
    whole(octets('BEGIN:VCALENDAR\r\n'.repeat(50)));
    const many = read(octets(`BEGIN:VCALENDAR\r\n${'BEGIN:VEVENT\r\nEND:VEVENT\r\n'.repeat(20_001)}`));
    expect(many.warnings.some(({ why }) => why.startsWith('The file has more than 20000 parts'))).toBe(true);
  });
});

test('dates that are added as periods keep their own lengths (RFC 5545 section 3.8.5.2), unless the file says more of them', () => {
  const calendar = read(
    vevent('DTSTART;TZID=America/Halifax:20261013T100000', 'DTEND;TZID=America/Halifax:20261013T110000', 'RDATE;VALUE=PERIOD;TZID=America/Halifax:20261015T100000/20261015T123000,20261016T100000/PT15M', 'RDATE;TZID=America/Halifax:20261017T100000'),
  );
  expect(times(calendar)).toEqual([
    '2026-10-13T10:00/2026-10-13T11:00', '2026-10-15T10:00/2026-10-15T12:30', '2026-10-16T10:00/2026-10-16T10:15', '2026-10-17T10:00/2026-10-17T11:00',
  ]);
  expect(said(calendar)).toEqual([]);
}); // prettier-ignore

test('a series that leaves out more dates than are read is left out: none of them takes place', () => {
  const first = Temporal.PlainDate.from('2024-01-01');
  const out = Array.from({ length: 1001 }, (_, i) => `${first.add({ days: i }).toString().replaceAll('-', '')}T100000`);
  const calendar = read(vevent('DTSTART:20240101T100000', 'RRULE:FREQ=DAILY', `EXDATE:${out.join(',')}`));
  expect(calendar.events).toEqual([]);
  expect(calendar.skipped).toMatchObject([{ title: 'Harbour day', why: expect.stringContaining('would take place') as string }]);
}); // prettier-ignore
