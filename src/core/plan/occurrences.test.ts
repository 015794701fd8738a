import { describe, expect, test } from 'vitest';
import {
  HL,
  NOW,
  SECTION_A,
  assignment,
  at,
  booking,
  course,
  day,
  event,
  meeting,
  navigation,
  plan,
  sheet,
  staff,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import type { ClosureId, SectionId } from '../ids';
import type { Viewer } from '../entries/viewer';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { overAtMs, touching } from './occurrenceDays';
import { occurrencesOf } from './occurrences';
import type { Plan } from './plan';
import { seenPlan } from './seenPlan';

const expand = (given: Plan, viewer: Viewer) => occurrencesOf(seenPlan(viewer, given, NOW), requireZone);
const lines = (given: Plan, viewer: Viewer = student()) =>
  expand(given, viewer).map((o) => `${o.kind} ${momentText(o.start)} ${o.title}`);
const closure = {
  id: 'cl' as ClosureId,
  term: term.id,
  name: 'Reading week',
  start: day('2026-10-14'),
  end: day('2026-10-17'),
  created: NOW,
};

test('a plan of every kind, in the order of days and clocks, whole days first', () => {
  const given = plan({
    courses: [
      course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [meeting()] }] }),
    ],
    closures: [closure],
    entries: [event(), assignment()],
    sheets: [sheet([[booking()], []])],
  });
  expect(lines(given)).toEqual([
    'set 2026-10-08 Body plan',
    'class 2026-10-13T10:00 Class 11',
    'event 2026-10-13T14:00 Rope walk',
    'closure 2026-10-14 Reading week',
    'times 2026-10-15T12:00 Office hours',
    'booking 2026-10-15T12:00 Office hours',
    'due 2026-10-15T17:00 Body plan',
  ]);
});

test('an assignment without a set day stands on its due day alone', () => {
  expect(lines(plan({ entries: [assignment({ setOn: undefined, due: day('2026-10-15') })] }))).toEqual([
    'due 2026-10-15 Body plan',
  ]);
});

describe('the classes of a course with two sections', () => {
  const B = 'b' as SectionId;
  const two = plan({
    courses: [
      course({
        sections: [
          { id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [meeting()] },
          {
            id: B,
            name: 'B',
            students: 18,
            patterns: [],
            meetings: [meeting({ start: time('14:00'), end: time('15:50') })],
          },
        ],
      }),
    ],
  });
  const roster = (...sections: SectionId[]): Viewer => ({
    kind: 'roster',
    courses: new Set([HL]),
    sections: new Set(sections),
    calendars: new Set(),
    meetingLinks: false,
  });
  test.each<[string, Viewer, string[]]>([
    ['a student of A', student(), ['class 2026-10-13T10:00 Class 11, A']],
    [
      'a student without a section',
      { ...student(), memberOf: new Map([[HL, undefined]]) },
      ['class 2026-10-13T10:00 Class 11, A', 'class 2026-10-13T14:00 Class 11, B'],
    ],
    ['the staff', staff(HL), ['class 2026-10-13T10:00 Class 11, A', 'class 2026-10-13T14:00 Class 11, B']],
    ['an outlet without sections', roster(), []],
    ['an outlet with B', roster(B), ['class 2026-10-13T14:00 Class 11, B']],
  ])('as seen by %s', (_, viewer, expected) => expect(lines(two, viewer)).toEqual(expected));
});

test('a closure of the site concerns every course of its term, one of a course that course alone', () => {
  const both = plan({
    courses: [course(), navigation()],
    closures: [closure, { ...closure, id: 'c2' as ClosureId, name: 'Sail day', course: HL }],
  });
  const viewer = { ...student(), memberOf: new Map([...student().memberOf, [navigation().id, undefined]]) };
  expect(expand(both, viewer).map((o) => [o.title, o.courses.length])).toEqual([['Reading week', 2], ['Sail day', 1]]); // prettier-ignore
  expect(
    expand(plan({ courses: [navigation()], closures: both.closures }), {
      ...viewer,
      memberOf: new Map([[navigation().id, undefined]]),
    }).map((o) => o.title),
  ).toEqual(['Reading week']);
});

describe('the days that something touches', () => {
  const days = (given: Plan, from: string, to: string) =>
    touching(expand(given, student()))(day(from), day(to)).length;
  const lasting = plan({
    entries: [event({ when: { kind: 'days', start: day('2026-10-14'), end: day('2026-10-17') } })],
  });
  test.each([
    ['2026-10-13', '2026-10-13', 0],
    ['2026-10-14', '2026-10-14', 1],
    ['2026-10-16', '2026-10-20', 1],
    ['2026-10-17', '2026-10-20', 0],
  ])('three days from the 14th, asked for %s to %s: %i', (from, to, count) =>
    expect(days(lasting, from, to)).toBe(count),
  );

  test('an end at midnight does not touch the day that begins there', () => {
    const late = plan({
      entries: [
        event({ when: { kind: 'timed', start: at('2026-10-14T22:00'), end: at('2026-10-15T00:00') } }),
      ],
    });
    expect(days(late, '2026-10-15', '2026-10-15')).toBe(0);
    const later = plan({
      entries: [
        event({ when: { kind: 'timed', start: at('2026-10-14T22:00'), end: at('2026-10-15T00:30') } }),
      ],
    });
    expect(days(later, '2026-10-15', '2026-10-15')).toBe(1);
  });
});

test('something is over at its end, else at its start, else when its day ends', () => {
  const over = (given: Plan) =>
    new Date(overAtMs(expand(given, student())[0]!, requireZone(term.tzid))).toISOString();
  expect(over(plan({ entries: [event()] }))).toBe('2026-10-13T18:00:00.000Z');
  expect(over(plan({ entries: [event({ when: { kind: 'timed', start: at('2026-10-13T14:00') } })] }))).toBe(
    '2026-10-13T17:00:00.000Z',
  );
  expect(
    over(
      plan({
        entries: [event({ when: { kind: 'days', start: day('2026-10-14'), end: day('2026-10-15') } })],
      }),
    ),
  ).toBe('2026-10-15T03:00:00.000Z');
  expect(over(plan({ entries: [assignment({ setOn: undefined, due: day('2026-11-02') })] }))).toBe(
    '2026-11-03T04:00:00.000Z',
  );
});
