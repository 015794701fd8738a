import { expect, test } from 'vitest';
import { HL, NOW, SECTION_A, course, day, meeting } from '../../../tests/support/plans';
import type { ClassPlanId, MaterialId, MeetingId, SectionId } from '../ids';
import type { ClassPlan } from '../plan/classPlan';
import type { Meeting } from '../time/meetings';
import type { Material } from './material';
import { placeUnit } from './placeUnit';

const SECTION_B = 'b' as SectionId;
const item = (id: string): Material => ({ id: id as MaterialId, course: HL, position: 0, kind: 'webLink', title: id, url: 'https://x.example', text: '', sequence: 0, created: NOW, lastModified: NOW }); // prettier-ignore
const cls = (id: string, ordinal: number, date: string, more: Partial<Meeting> = {}) => meeting({ id: id as MeetingId, ordinal, date: day(date), ...more }); // prettier-ignore
const A = [
  cls('a1', 1, '2026-10-13'),
  cls('a2', 2, '2026-10-15'),
  cls('a3', 3, '2026-10-20'),
  cls('a4', 4, '2026-10-22'),
];
const B = [cls('b1', 1, '2026-10-12'), cls('b2', 2, '2026-10-14'), cls('b3', 3, '2026-10-19', { cancelled: '' }), cls('b4', 4, '2026-10-21')]; // prettier-ignore
const hull = course({
  sections: [
    { id: SECTION_A, name: 'A', students: 1, patterns: [], meetings: A },
    { id: SECTION_B, name: 'B', students: 1, patterns: [], meetings: B },
  ],
});
const plan = (meetingId: string, section: SectionId): ClassPlan => ({ id: 'p' as ClassPlanId, course: HL, title: 'x', description: '', links: [], pinned: false, bindings: [{ section, meeting: meetingId as MeetingId }], sequence: 0, created: NOW, lastModified: NOW }); // prettier-ignore
const placed = (items: string[], from: string, plans: readonly ClassPlan[] = []) => {
  const { placements, left } = placeUnit(hull, plans, items.map(item), day(from));
  return [placements.map((p) => `${p.ordinal} ${p.material.id} ${p.meetings.map((m) => m.meeting.id).join('+')}`), left.map((m) => m.id)]; // prettier-ignore
};

test('one class of each number, in every section where it takes place; what finds none is left', () =>
  expect(placed(['x', 'y', 'z', 'v', 'w'], '2026-10-12')).toEqual([['1 x a1+b1', '2 y a2+b2', '3 z a3', '4 v a4+b4'], ['w']])); // prettier-ignore

test('from a day on: a number of which one section is past is over', () =>
  expect(placed(['x'], '2026-10-13')).toEqual([['2 x a2+b2'], []]));

test('a class on which something is planned, in whichever section, is passed over', () =>
  expect(placed(['x', 'y'], '2026-10-12', [plan('b1', SECTION_B)])).toEqual([['2 x a2+b2', '3 y a3'], []]));
