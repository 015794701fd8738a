import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { betterDays } from './betterDays';
import { expectedMinutes, spreadMinutes, workByWeek } from './hoursByWeek';
import { loadByDay } from './loadByDay';
import { spreadDates } from './spreadDates';

const anySchool = fc
  .record({ days: fc.integer({ min: 1, max: 40 }), students: fc.integer({ min: 0, max: 12 }) })
  .chain(({ days, students }) =>
    fc.record({
      days: fc.constant(days),
      students: fc.constant(students),
      alarm: fc.integer({ min: 1, max: 4 }),
      items: fc.array(
        fc.record({
          id: fc.uuid(),
          course: fc.option(fc.constantFrom('HL', 'NV'), { nil: undefined }),
          title: fc.constantFrom('W', 'V', ''),
          due: fc.integer({ min: -2, max: days + 1 }),
          set: fc.option(fc.integer({ min: -9, max: days }), { nil: undefined }),
          minutes: fc.option(fc.integer({ min: 1, max: 600 }), { nil: undefined }),
          weight: fc.constantFrom(1, 2),
          people: fc.uniqueArray(fc.nat(Math.max(0, students - 1)), { maxLength: students }),
        }),
        { maxLength: 30 },
      ),
    }),
  );

test('the load of each day is what a plain count of every student and every item says', () => {
  fc.assert(
    fc.property(anySchool, ({ days, students, alarm, items }) => {
      const load = loadByDay(items, { days, students, alarm });
      for (let day = 0; day < days; day++) {
        const ofDay = items.filter((i) => i.due === day && i.people.length > 0);
        const sums = Array.from({ length: students }, (_, person) =>
          ofDay.filter((i) => i.people.includes(person)).reduce((sum, i) => sum + i.weight, 0),
        );
        expect(load[day]).toEqual({
          own: ofDay.filter((i) => i.course !== undefined),
          others: ofDay.filter((i) => i.course === undefined).length,
          titles: ofDay.flatMap((i) => (i.course === undefined && i.title !== '' ? [i.title] : [])),
          concerned: sums.filter((sum) => sum > 0).length,
          alarmed: sums.filter((sum) => sum >= alarm).length,
        });
      }
    }),
  );
});

test('no minute of work is lost: what the weeks hold is what the items ask for, shared among the students', () => {
  fc.assert(
    fc.property(anySchool, ({ days, students, items }) => {
      const weekOf = Array.from({ length: days }, (_, day) => Math.floor(day / 7));
      const inside = items.filter((i) => i.due >= 0 && i.due < days);
      const weeks = workByWeek(inside, { weekOf, students });
      const asked = inside.reduce((sum, i) => sum + (i.minutes ?? 0) * (students ? i.people.length / students : 0), 0); // prettier-ignore
      expect(weeks.reduce((sum, minutes) => sum + minutes, 0)).toBeCloseTo(asked, 6);
    }),
  );
});

test('work is spread evenly from the day it is given out to the day it is due', () => {
  expect([...spreadMinutes({ set: 3, due: 6, minutes: 120 }, 40)]).toEqual([[3, 30], [4, 30], [5, 30], [6, 30]]); // prettier-ignore
  expect([...spreadMinutes({ due: 7, minutes: 80 }, 40).values()]).toEqual([10, 10, 10, 10, 10, 10, 10, 10]);
  expect([...spreadMinutes({ set: -2, due: 1, minutes: 40 }, 40)]).toEqual([
    [0, 30],
    [1, 10],
  ]);
  expect([...spreadMinutes({ set: 9, due: 6, minutes: 40 }, 40)]).toEqual([[6, 40]]);
});

test('a course of three credits may ask for nine hours a week: an hour of class and two out of it for each credit', () => {
  // 34 CFR 600.2, the definition of a credit hour; from memory.
  expect(expectedMinutes({ credits: 3 })).toBe(9 * 60);
  expect(expectedMinutes({ credits: 3, weeklyHours: 7.5 })).toBe(450);
  expect(expectedMinutes({ weeklyHours: 0 })).toBe(0);
  expect(expectedMinutes({})).toBeUndefined();
  expect(expectedMinutes({ credits: 0 })).toBeUndefined();
});

describe('better days', () => {
  const load = [4, 0, 12, 38, 0, 0, 2, 7, 0].map((concerned) => ({ concerned, alarmed: concerned > 10 ? concerned : 0 })); // prettier-ignore
  const days = (day: number, isOpen = (_: number) => true) =>
    betterDays(load, { day, isOpen }).map((c) => c.day);
  test('are those with nobody, the nearest first', () => expect(days(3)).toEqual([4, 1, 5]));
  test('are open', () => expect(days(3, (day) => day === 0 || day === 6)).toEqual([6, 0]));
  test('are none where the day is as good as any', () => expect(days(4)).toEqual([]));
  test('are none outside the term', () => expect(days(40)).toEqual([]));
});

describe('spreading work over a stretch', () => {
  const free = Array.from({ length: 60 }, () => ({ concerned: 0, alarmed: 0 }));
  const weekly = { count: 4, earliest: 0, latest: 21, gap: 3, isOpen: (day: number) => day % 7 === 0 };

  test('on the weekday that is kept, it is even', () =>
    expect(spreadDates(free, weekly)).toEqual({ days: [0, 7, 14, 21], alarmed: 0 }));

  test('a day on which many have too much is left out', () => {
    const load = free.map((day, i) => (i === 14 ? { concerned: 30, alarmed: 20 } : day));
    expect(spreadDates(load, { ...weekly, isOpen: (day) => day % 7 !== 6 })!.days).not.toContain(14);
    // There is no way round it where only four days are open; then it is said.
    expect(spreadDates(load, weekly)).toEqual({ days: [0, 7, 14, 21], alarmed: 20 });
  });

  test('more than there is room for is refused', () => {
    expect(spreadDates(free, { ...weekly, count: 5 })).toBeUndefined();
    expect(spreadDates(free, { ...weekly, gap: 8 })).toBeUndefined();
    expect(spreadDates(free, { ...weekly, count: 0 })).toEqual({ days: [], alarmed: 0 });
  });

  test('no other choice of days is cheaper, and the gap is kept, whatever the load', () => {
    const any = fc.record({
      load: fc.array(fc.record({ concerned: fc.nat(40), alarmed: fc.nat(5) }), { minLength: 1, maxLength: 11 }), // prettier-ignore
      count: fc.integer({ min: 1, max: 4 }),
      gap: fc.integer({ min: 1, max: 4 }),
      closed: fc.uniqueArray(fc.nat(10), { maxLength: 5 }),
    });
    fc.assert(
      fc.property(any, ({ load, count, gap, closed }) => {
        const latest = load.length - 1;
        const isOpen = (day: number) => !closed.includes(day);
        const step = count === 1 ? 0 : latest / (count - 1);
        const price = (days: readonly number[]) =>
          days.reduce((sum, day, i) => sum + load[day]!.alarmed * 100 + load[day]!.concerned + 0.15 * (day - (count === 1 ? latest / 2 : i * step)) ** 2, 0); // prettier-ignore
        const every = (from: number, left: number): number[][] =>
          left === 0 ? [[]] : load.flatMap((_, day) => (day >= from && isOpen(day) ? every(day + gap, left - 1).map((rest) => [day, ...rest]) : [])); // prettier-ignore
        const all = every(0, count);
        const found = spreadDates(load, { count, earliest: 0, latest, gap, isOpen });
        expect(found === undefined).toBe(all.length === 0);
        if (!found) return;
        expect(price(found.days)).toBeCloseTo(Math.min(...all.map(price)), 6);
        found.days.slice(1).forEach((day, i) => expect(day - found.days[i]!).toBeGreaterThanOrEqual(gap));
      }),
    );
  });
});
