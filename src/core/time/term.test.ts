import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { weekAndDate } from './dateLabels';
import { currentTerm, teachingWeeks, weekNumber } from './term';

const day = (text: string) => Temporal.PlainDate.from(text);
const autumn = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
const winter = { startsOn: day('2027-01-11'), endsOn: day('2027-04-30') };

test('a term from a Tuesday to a Friday has 15 teaching weeks, the partial first one counted', () => {
  const weeks = teachingWeeks(autumn);
  expect(weeks.map((w) => w.number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]);
  expect(weeks[0]!.first.toString()).toBe('2026-09-07');
  expect(weeks[14]!.first.toString()).toBe('2026-12-14');
});

test.each([
  ['2026-09-06', undefined],
  ['2026-09-07', 1],
  ['2026-09-13', 1],
  ['2026-10-13', 6],
  ['2026-12-20', 15],
  ['2026-12-21', undefined],
])('%s lies in teaching week %s', (date, expected) => expect(weekNumber(autumn, day(date))).toBe(expected));

test('week and date are said together', () => {
  expect(weekAndDate(autumn, day('2026-10-15'))).toBe('week 6, Thu 15 Oct');
  expect(weekAndDate(autumn, day('2027-01-04'))).toBe('Mon 4 Jan');
});

test('the current term holds the day, or is the next to begin, or was the last', () => {
  expect(currentTerm([winter, autumn], day('2026-10-13'))).toBe(autumn);
  expect(currentTerm([winter, autumn], day('2026-12-25'))).toBe(winter);
  expect(currentTerm([winter, autumn], day('2028-01-01'))).toBe(winter);
  expect(currentTerm([], day('2028-01-01'))).toBeUndefined();
});
