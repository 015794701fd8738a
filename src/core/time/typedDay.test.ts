import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { dateLabel } from './dateLabels';
import type { DayContext } from './typedDay';
import { readDay } from './typedDay';

const day = (text: string) => Temporal.PlainDate.from(text);
const context: DayContext = {
  today: day('2026-10-13'),
  term: { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') },
  locale: 'en-GB',
};
const read = (text: string) => {
  const typed = readDay(text, context);
  return typed.kind === 'day' ? typed.day.toString() : typed.kind === 'ask' ? typed.days.map(String).join(' or ') : '?'; // prettier-ignore
};

// What people type into a field for a day: common practice, no published source.
test.each([
  ['2026-10-28', '2026-10-28'],
  ['28 Oct', '2026-10-28'],
  ['  Oct 28 ', '2026-10-28'],
  ['28th of October', '2026-10-28'],
  ['28 october 2027', '2027-10-28'],
  ['Thu 5 Nov', '2026-11-05'],
  ['28.10.', '2026-10-28'],
  ['28/10/2027', '2027-10-28'],
  ['week 6 Thu', '2026-10-15'],
  ['today', '2026-10-13'],
  ['tomorrow', '2026-10-14'],
  ['Thu', '2026-10-15'],
  // Without a year: within the term, else the next one to come.
  ['3 Feb', '2027-02-03'],
])('%j is %s', (text, expected) => expect(read(text)).toBe(expected));

test.each([
  ['2/11', '2026-11-02 or 2027-02-11'],
  ['2/11/2027', '2027-11-02 or 2027-02-11'],
  ['Fri 5 Nov', '2026-11-05 or 2026-11-06'],
  ['Tuesday', '2026-10-13 or 2026-10-20'],
])('%j means two days and is asked: %s', (text, expected) => expect(read(text)).toBe(expected));

test.each([
  '',
  '31 Feb',
  'soon',
  '28 Oct at noon',
  '2026-13-01',
  '2026-10-1',
  'week 40',
  '0/0',
  '28 Oct 5 Nov',
])('%j is no day', (text) => expect(read(text)).toBe('?'));

test('what a date is written as is read as that date, with and without its weekday', () => {
  for (let date = day('2026-09-08'); !date.equals(day('2027-02-01')); date = date.add({ days: 1 }))
    for (const text of [dateLabel(date, 'short'), dateLabel(date, 'dayMonth'), dateLabel(date, 'full')])
      expect(read(text)).toBe(date.toString());
});
