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
  event,
  meeting,
  navigation,
  plan,
  sheet,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import type { ClassPlanId, EntryId, SectionId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { daySheetView } from './daySheetView';

const meetings = [
  meeting({ id: 'm1' as never, date: day('2026-10-13') }),
  meeting({
    id: 'm2' as never,
    ordinal: 12,
    date: day('2026-10-15'),
    start: time('10:00'),
    end: time('11:50'),
  }),
  meeting({ id: 'm3' as never, ordinal: 13, date: day('2026-10-20') }),
];
const courses = [
  course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings }] }),
  navigation(),
];
const view = (
  given: Partial<Plan> = {},
  { date = '2026-10-15', of = undefined as typeof HL | undefined, viewer = student() } = {},
) => {
  const seen = seenPlan(viewer, plan({ courses, ...given }), NOW);
  return daySheetView(day(date), {
    plan: seen,
    term,
    occurrences: occurrencesOf(seen, requireZone),
    materials: [],
    mayMove: () => false,
    at: { now: NOW, zoneOf: requireZone },
    course: of,
  });
};
const parts = (...args: Parameters<typeof view>) =>
  view(...args).parts.map(({ part, items }) => `${part}: ${items.map((item) => item.title).join(', ')}`);

test('a day says itself in full, with its course and week', () => {
  expect(view({}, { of: HL })).toMatchObject({
    date: '2026-10-15',
    heading: 'Thursday, 15 October 2026',
    where: 'HL Hull lofting · week 6',
  });
  expect(view({}, { date: '2027-01-01' }).where).toBe('');
});

test('all that somebody who was away needs, in the order in which it is read', () => {
  const entries = [
    assignment({ title: 'Half-breadth plan', due: at('2026-10-15T17:00') }),
    assignment({
      id: 'set' as EntryId,
      uid: 'set',
      setUid: 'set-set',
      title: 'Moulds',
      setOn: day('2026-10-15'),
      due: at('2026-10-22T17:00'),
    }),
    event({ title: 'Demonstration', when: { kind: 'timed', start: at('2026-10-15T12:30') } }),
  ];
  expect(parts({ entries, sheets: [sheet([[booking()], []])] })).toEqual([
    'class: Class 12',
    'event: Demonstration',
    'set: set: Moulds',
    'due: Half-breadth plan',
    'booking: Your time with Maren Toft',
    'times: Office hours',
  ]);
});

test('parts that are empty are left out, and a day without anything has none', () =>
  expect(parts({}, { date: '2026-10-17' })).toEqual([]));

test('a page of one course holds that course alone', () => {
  const entries = [
    event({ title: 'Lofting', when: { kind: 'days', start: day('2026-10-15'), end: day('2026-10-16') } }),
    event({
      id: 'n' as EntryId,
      uid: 'n',
      title: 'Pilotage',
      audience: [{ course: NV }],
      when: { kind: 'days', start: day('2026-10-15'), end: day('2026-10-16') },
    }),
  ];
  const viewer = {
    ...student(),
    memberOf: new Map([
      [HL, SECTION_A],
      [NV, undefined as SectionId | undefined],
    ]),
  };
  expect(parts({ entries }, { viewer })).toEqual(['class: Class 12', 'event: Lofting, Pilotage']);
  expect(parts({ entries }, { viewer, of: NV })).toEqual(['event: Pilotage']);
});

describe('the days around it', () => {
  test('are those on which there is class', () =>
    expect(view()).toMatchObject({
      previous: { day: '2026-10-13', words: 'Tue 13 Oct' },
      next: { day: '2026-10-20', words: 'Tue 20 Oct' },
    }));
  test('also from a day without one', () =>
    expect(view({}, { date: '2026-10-17' })).toMatchObject({
      previous: { day: '2026-10-15' },
      next: { day: '2026-10-20' },
    }));
  test('a class that was called off is none', () => {
    const off = meetings.map((m) => (m.ordinal === 13 ? { ...m, cancelled: 'Storm' } : m));
    expect(
      view({
        courses: [
          course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: off }] }),
        ],
      }).next,
    ).toBeUndefined();
  });
});

test('what was done in class has its text and links, and says which class it was', () => {
  const classPlans = [
    {
      id: 'p' as ClassPlanId,
      course: HL,
      title: 'Bevel board',
      description: '<p>Bring <b>pencils</b><script>x()</script></p>',
      links: [{ url: 'https://x.example/bevels', label: 'Handout', staffOnly: false }],
      pinned: false,
      sequence: 0,
      created: NOW,
      lastModified: NOW,
      bindings: [{ section: SECTION_A, meeting: 'm2' }],
    },
  ];
  const [{ items } = { items: [] }] = view({ classPlans: classPlans as never }).parts;
  expect(items[0]).toMatchObject({
    title: 'Bevel board',
    name: 'Class 12',
    text: '<p>Bring <strong>pencils</strong></p>',
  });
  expect(items[0]!.links.map((link) => link.label)).toEqual(['Handout']);
});
