import { describe, expect, test } from 'vitest';
import { HL, NOW, course, day, meeting } from '../../../tests/support/plans';
import type { Strand } from '../time/classNumber';
import type { ClassPlanId, MeetingId, SectionId } from '../ids';
import type { ClassPlan } from './classPlan';
import { fillTopics } from './fillTopics';
import type { Section } from './plan';

const section = (name: string, count: number, cancelled: readonly number[] = []): Section => ({
  id: name as SectionId,
  name,
  students: 10,
  patterns: [],
  meetings: Array.from({ length: count }, (_, i) =>
    meeting({
      id: `${name}${i + 1}` as MeetingId,
      ordinal: i + 1,
      date: day('2026-09-08').add({ weeks: i }),
      ...(cancelled.includes(i + 1) ? { cancelled: '' } : {}),
    }),
  ),
});
const planOn = (title: string, meetings: readonly string[], pinned = false): ClassPlan => ({
  id: title as ClassPlanId, course: HL, title, description: '', links: [], pinned, sequence: 0, created: NOW, lastModified: NOW,
  bindings: meetings.map((m) => ({ section: m[0] as SectionId, meeting: m as MeetingId })),
}); // prettier-ignore
const topic = (title: string) => ({ title, description: '', links: [] });
const fill = (
  sections: readonly Section[],
  plans: readonly ClassPlan[],
  titles: readonly string[],
  from = 1,
  strand?: Strand,
) => {
  const result = fillTopics(course({ sections }), plans, titles.map((t) => (t ? topic(t) : undefined)), { ordinal: from, strand }); // prettier-ignore
  return {
    on: result.fillings.map((f) => `${f.number.ordinal} ${f.topic.title} ${f.meetings.map((m) => m.meeting.id).join('+')}${f.replaces ? ` over ${f.replaces.title}` : ''}`), // prettier-ignore
    pinned: result.pinned.map(({ ordinal }) => ordinal),
    left: result.left.map((t) => t.title),
  };
};

describe('topics on classes', () => {
  test('stand on the same number in each section', () =>
    expect(fill([section('A', 3), section('B', 2)], [], ['x', 'y', 'z'])).toEqual({
      on: ['1 x A1+B1', '2 y A2+B2', '3 z A3'],
      pinned: [],
      left: [],
    }));
  test('begin where it is said, pass over what is pinned and cancelled, and say what is left', () =>
    expect(
      fill([section('A', 5, [4])], [planOn('exam', ['A3'], true), planOn('old', ['A2'])], ['x', 'y', 'z'], 2),
    ).toEqual({ on: ['2 x A2 over old', '5 y A5'], pinned: [3], left: ['z'] }));
  test('an empty line leaves its class alone', () =>
    expect(fill([section('A', 3)], [], ['x', '', 'z']).on).toEqual(['1 x A1', '3 z A3']));
});
