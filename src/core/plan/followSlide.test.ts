import { expect, test } from 'vitest';
import { NOW, assignment, course, day, meeting } from '../../../tests/support/plans';
import type { AssignmentEntry } from '../entries/entry';
import type { ClassPlanId, MeetingId, SectionId } from '../ids';
import type { ClassPlan } from './classPlan';
import { followSlide } from './followSlide';
import type { Section } from './plan';
import type { SlideMove } from './slide';

const section = (name: string): Section => ({
  id: name as SectionId,
  name,
  students: 1,
  patterns: [],
  meetings: [1, 2, 3, 4].map((n) => meeting({ id: `${name}${n}` as MeetingId, key: `${n}`, ordinal: n, date: day(`2026-10-0${n}`) })),
}); // prettier-ignore
const [a, b] = [section('A'), section('B')];
const both = course({ sections: [a, b] });
const plan = { id: 'p' as ClassPlanId, course: both.id, title: 'P', description: '', links: [], pinned: false, bindings: [], sequence: 0, created: NOW, lastModified: NOW } satisfies ClassPlan; // prettier-ignore
const move = (s: Section, from: number, to?: number): SlideMove => ({ plan, section: s, from: s.meetings[from - 1]!, ...(to ? { to: s.meetings[to - 1]! } : {}) }); // prettier-ignore
const due = (ref: NonNullable<AssignmentEntry['atClass']>['due']) => assignment({ atClass: { due: ref } });

test.each([
  ['both sections moved', { ordinal: 2, edge: 'end' as const }, [move(a, 2, 3), move(b, 2, 3)], { ordinal: 3, edge: 'end' }],
  ['section B alone moved', { ordinal: 2, edge: 'start' as const }, [move(b, 2, 4)], { ordinal: 2, edge: 'start', sections: { B: 4 } }],
  ['section A alone moved', { ordinal: 2, edge: 'start' as const }, [move(a, 2, 3)], { ordinal: 3, edge: 'start', sections: { B: 2 } }],
  ['B comes back to where A is', { ordinal: 2, edge: 'start' as const, sections: { ['B' as SectionId]: 3 } }, [move(b, 3, 2)], { ordinal: 2, edge: 'start' }],
])('%s', (_, ref, moves, expected) => expect(followSlide(due(ref), both, moves)?.atClass).toEqual({ due: expected })); // prettier-ignore

test.each([
  ['another class moved', due({ ordinal: 1, edge: 'start' }), [move(a, 2, 3)]],
  ['the plan found no class', due({ ordinal: 2, edge: 'start' }), [move(a, 2)]],
  ['its dates are its own', assignment(), [move(a, 2, 3)]],
])('nothing follows: %s', (_, entry, moves) => expect(followSlide(entry, both, moves)).toBeUndefined()); // prettier-ignore
