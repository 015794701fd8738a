import { describe, expect, test } from 'vitest';
import {
  HL,
  NOW,
  NV,
  SECTION_A,
  assignment,
  at,
  booking,
  course,
  day,
  meeting,
  navigation,
  plan,
  sheet,
  time,
} from '../../../tests/support/plans';
import type { ClosureId, EntryId, TermId } from '../ids';
import type { Plan } from '../plan/plan';
import type { Closure } from '../time/closure';
import { requireZone } from '../time/zoneData';
import { closureHits } from './closureHits';

const closure = (changes: Partial<Closure> = {}): Closure => ({
  id: 'c' as ClosureId,
  term: 't' as TermId,
  name: 'Snow day',
  start: day('2026-10-15'),
  end: day('2026-10-16'),
  created: NOW,
  ...changes,
});
const meetings = [
  meeting({ id: 'm1' as never, date: day('2026-10-13') }),
  meeting({
    id: 'm2' as never,
    ordinal: 12,
    date: day('2026-10-15'),
    start: time('10:00'),
    end: time('11:50'),
  }),
  meeting({
    id: 'm3' as never,
    ordinal: 13,
    date: day('2026-10-15'),
    start: time('14:00'),
    end: time('15:50'),
  }),
];
const section = { id: SECTION_A, name: 'A', students: 20, patterns: [], meetings };
/** What it hits, course by course: numbers of classes, titles of work, hours of times that are taken. */
const hit = (changes: Partial<Closure> = {}, parts: Partial<Plan> = {}) =>
  closureHits(
    closure(changes),
    plan({ courses: [course({ sections: [section] })], ...parts }),
    requireZone,
  ).map((found) => [
    found.course.tag,
    found.meetings.map(({ meeting: m }) => m.ordinal),
    found.due.map((work) => work.title),
    found.taken.map(({ slot }) => slot.id),
  ]);

describe('classes', () => {
  test('on its days go', () => expect(hit()).toEqual([['HL', [12, 13], [], []]]));
  test('before the hour at which it closes stay', () =>
    expect(hit({ closesAt: time('13:00') })).toEqual([['HL', [13], [], []]]));
  test('that it would cut short go', () =>
    expect(hit({ closesAt: time('11:00') })).toEqual([['HL', [12, 13], [], []]]));
  test('that were called off are not hit again', () => {
    const off = meetings.map((m) => ({ ...m, cancelled: 'Regatta' }));
    expect(hit({}, { courses: [course({ sections: [{ ...section, meetings: off }] })] })).toEqual([]);
  });
});

describe('work that is due', () => {
  const courses = [course()];
  const entries = [
    assignment({ id: 'noon' as EntryId, title: 'At noon', due: at('2026-10-15T12:00') }),
    assignment({ id: 'evening' as EntryId, title: 'In the evening', due: at('2026-10-15T20:00') }),
    assignment({ id: 'day' as EntryId, title: 'That day', due: day('2026-10-15') }),
    assignment({ id: 'next' as EntryId, title: 'A day later', due: at('2026-10-16T00:30') }),
  ];
  test('on its days is named', () =>
    expect(hit({}, { courses, entries })).toEqual([
      ['HL', [], ['At noon', 'In the evening', 'That day'], []],
    ]));
  test('after it closes, or without a time, where it closes early', () =>
    expect(hit({ closesAt: time('13:00') }, { courses, entries })).toEqual([
      ['HL', [], ['In the evening', 'That day'], []],
    ]));
});

test('times that somebody took are named; free ones go without a word', () => {
  const sheets = [sheet([[booking()], [], [booking()]])];
  expect(hit({}, { courses: [course()], sheets })).toEqual([['HL', [], [], ['slot0', 'slot2']]]);
  expect(hit({ closesAt: time('12:40') }, { courses: [course()], sheets })).toEqual([
    ['HL', [], [], ['slot2']],
  ]);
});

describe('a closure', () => {
  const both = [
    course({ sections: [section] }),
    navigation({ sections: [{ ...section, id: 'n' as never, meetings: meetings.slice(1, 2) }] }),
  ];
  test('of the school hits every course', () =>
    expect(hit({}, { courses: both }).map(([tag]) => tag)).toEqual(['HL', 'NV']));
  test('of one course hits that one', () =>
    expect(hit({ course: NV }, { courses: both }).map(([tag]) => tag)).toEqual(['NV']));
  test('of another term hits nothing', () =>
    expect(hit({ term: 'other' as TermId }, { courses: both })).toEqual([]));
  test('of several days hits all of them', () =>
    expect(hit({ start: day('2026-10-13') })).toEqual([['HL', [11, 12, 13], [], []]]));
  test('that hits nothing names no course', () =>
    expect(hit({ start: day('2026-12-01'), end: day('2026-12-02') })).toEqual([]));
});

test('work for two courses is named in each of them', () => {
  const entries = [assignment({ due: at('2026-10-15T12:00'), audience: [{ course: HL }, { course: NV }] })];
  expect(hit({}, { courses: [course(), navigation()], entries }).map(([tag, , due]) => [tag, due])).toEqual([
    ['HL', ['Body plan']],
    ['NV', ['Body plan']],
  ]);
});
