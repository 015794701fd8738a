import { expect, test } from 'vitest';
import type { MeetingId, SectionId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import {
  NOW,
  SECTION_A,
  assignment,
  at,
  course,
  day,
  meeting,
  plan,
  staff,
  HL,
  term,
} from '../../../tests/support/plans';
import { classPageView } from './classPageView';

const id = (text: string) => text as MeetingId;
const SECTION_B = 'b' as SectionId;
const held = (name: string, date: string, ordinal: number) => meeting({ id: id(name), date: day(date), ordinal }); // prettier-ignore
const courses = [
  course({
    sections: [
      {
        id: SECTION_A,
        name: 'A',
        students: 20,
        patterns: [],
        meetings: [held('a1', '2026-10-13', 1), held('a2', '2026-10-15', 2), held('a3', '2026-10-20', 3)],
      },
      { id: SECTION_B, name: 'B', students: 20, patterns: [], meetings: [held('b1', '2026-10-15', 1)] },
    ],
  }),
];
const view = (name: string, given: Partial<Plan> = {}) => {
  const seen = seenPlan(staff(HL), plan({ courses, ...given }), NOW);
  const own = seen.classes.find((one) => one.meeting.id === name)!;
  return classPageView(own, {
    plan: seen,
    term,
    occurrences: occurrencesOf(seen, requireZone),
    materials: [],
    mayMove: () => false,
    at: { now: NOW, zoneOf: requireZone },
  });
};

test('a class says which one it is and when; beside it what is due that day, no class of another section', () => {
  const shown = view('a2', { entries: [assignment({ title: 'Half-breadth', due: at('2026-10-15T17:00') })] });
  expect(shown.sheet.heading).toBe('Class 2, A · Thursday, 15 October 2026');
  expect(shown.sheet.parts.map(({ part, items }) => [part, ...items.map(({ title }) => title)])).toEqual([
    ['class', 'Class 2, A'],
    ['due', 'Half-breadth'],
  ]);
  expect(shown.day).toBe(`/day/2026-10-15?course=${HL}`);
});

test('the ways lead to the classes before and after in its own section', () => {
  expect(view('a2')).toMatchObject({
    previous: { href: '/class/a1', words: 'Class before: Tue 13 Oct' },
    next: { href: '/class/a3', words: 'Next class: Tue 20 Oct' },
  });
  const only = view('b1');
  expect([only.previous, only.next]).toEqual([undefined, undefined]);
});
