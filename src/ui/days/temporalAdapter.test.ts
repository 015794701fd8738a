import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { temporalAdapter } from './temporalAdapter';

const day = (text: string) => Temporal.PlainDate.from(text);
const adapterOf = (weekStart?: number) =>
  new (temporalAdapter({
    today: day('2026-10-13'),
    term: { startsOn: day('2026-09-08'), endsOn: day('2026-12-18'), weekStart },
    locale: 'en-GB',
  }))();
const days = fc.integer({ min: 0, max: 40_000 }).map((offset) => day('1990-01-01').add({ days: offset }));

test('a month is whole weeks that begin on the day on which the term’s weeks begin', () =>
  fc.assert(
    fc.property(days, fc.constantFrom(1, 6, 7), (date, weekStart) => {
      const weeks = adapterOf(weekStart).getWeekArray(date);
      const all = weeks.flat();
      expect(weeks.every((week) => week.length === 7 && week[0]!.dayOfWeek === weekStart)).toBe(true);
      expect(all.filter((one) => one.month === date.month && one.year === date.year)).toHaveLength(date.daysInMonth);
      expect(all.every((one, i) => i === 0 || one.equals(all[i - 1]!.add({ days: 1 })))).toBe(true);
    }),
  )); // prettier-ignore

test('weeks are those of the term, and none outside it', () => {
  const adapter = adapterOf();
  expect(['2026-09-06', '2026-09-08', '2026-10-13', '2026-12-20', '2026-12-21'].map((text) => adapter.getWeekNumber(day(text)))).toEqual([0, 1, 6, 15, 0]); // prettier-ignore
});

test('today is where the courses are taught; nothing is no day', () => {
  const adapter = adapterOf();
  expect(adapter.date()?.toString()).toBe('2026-10-13');
  expect(adapter.date(null)).toBeNull();
  expect([adapter.isValid(null), adapter.isValid(adapter.getInvalidDate()), adapter.isValid(day('2026-10-13'))]).toEqual([false, false, true]); // prettier-ignore
});

test('a day after, before and within', () =>
  fc.assert(
    fc.property(days, days, (a, b) => {
      const adapter = adapterOf();
      const order = Temporal.PlainDate.compare(a, b);
      expect([adapter.isBefore(a, b), adapter.isEqual(a, b), adapter.isAfterDay(a, b)]).toEqual([order < 0, order === 0, order > 0]); // prettier-ignore
      expect(adapter.isWithinRange(a, [adapter.startOfMonth(a), adapter.endOfMonth(a)])).toBe(true);
      expect(adapter.getDate(adapter.setDate(a, 1))).toBe(1);
    }),
  ));

test('the names that a calendar asks for', () => {
  const { format, formats } = adapterOf();
  const names = (['month', 'year', 'weekdayShort', 'fullDate'] as const).map((name) => format(day('2026-10-13'), formats[name] as never)); // prettier-ignore
  expect(adapterOf().formatByString(day('2026-10-13'), `${formats.month} ${formats.year}`)).toBe(
    'October 2026',
  );
  expect(names).toEqual(['October', '2026', 'Tue', 'Tuesday, 13 October 2026']);
});
