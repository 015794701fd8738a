import { describe, expect, test } from 'vitest';
import { at, day, term } from '../../../tests/support/plans';
import type { Moment } from '../time/zonedWall';
import { closuresFrom, isClosing } from './closuresFrom';
import type { ClosureRule, OutsideTime } from './outsideCalendar';

const outside = (title: string, start: Moment, end?: Moment, cancelled = false): OutsideTime => ({ uid: title, title, place: '', url: '', start, ...(end ? { end } : {}), cancelled }); // prettier-ignore
const closed = (rule: ClosureRule, ...times: OutsideTime[]) =>
  closuresFrom(rule, times, term).map(({ name, start, end, closesAt }) => `${name} ${start}/${end}${closesAt ? ` from ${closesAt}` : ''}`); // prettier-ignore

describe('whether a title closes the school', () => {
  test.each([
    [{ kind: 'none' }, 'No school', false],
    [{ kind: 'all' }, 'Bake sale', true],
    [{ kind: 'matching', words: ['no school', 'closed'] }, 'NO SCHOOL: storm', true],
    [{ kind: 'matching', words: ['fermé'] }, 'Ferme pour la fête', true],
    [{ kind: 'matching', words: ['closed'] }, 'Open day', false],
    [{ kind: 'matching', words: [] }, 'Closed', false],
  ] as const)('%j: %s', (rule, title, expected) => expect(isClosing(rule, title)).toBe(expected));
});

const all = { kind: 'all' } as const;

test('a whole day closes it, several days close all of them, a day without an end is one', () => {
  expect(closed(all, outside('Storm', day('2026-10-30')), outside('Break', day('2026-11-09'), day('2026-11-14')))).toEqual([
    'Storm 2026-10-30/2026-10-31',
    'Break 2026-11-09/2026-11-14',
  ]); // prettier-ignore
});

test('a time of day closes the rest of its day, whenever it ends', () => {
  expect(closed(all, outside('Early', at('2026-11-27T12:00'), at('2026-11-28T15:00')))).toEqual(['Early 2026-11-27/2026-11-28 from 12:00:00']); // prettier-ignore
});

test('what is called off, and what lies outside the term, closes nothing; its edges count', () => {
  const days = ['2026-09-07', '2026-09-08', '2026-12-18', '2026-12-19'].map((on) => outside(on, day(on)));
  expect(closed(all, ...days).map((words) => words.slice(0, 10))).toEqual(['2026-09-08', '2026-12-18']);
  expect(closed(all, outside('Off', day('2026-10-30'), undefined, true))).toEqual([]);
  expect(closed(all, outside('Into', day('2026-09-01'), day('2026-09-09')))).toHaveLength(1);
});
