import { describe, expect, test } from 'vitest';
import { HL, NOW, assignment, at, booking, course, event, meeting, plan, sheet, staff, SECTION_A } from '../../../tests/support/plans'; // prettier-ignore
import { occurrencesOf } from '@/core/plan/occurrences';
import type { EntryId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { day } from '../../../tests/support/plans';
import type { WaitingCounts } from './todayView';
import { todayView } from './todayView';

const NOTHING: WaitingCounts = { checks: 0, homeless: [], questions: [] };
const view = (given: Partial<Plan>, waiting = NOTHING) => {
  const seen = seenPlan(staff(HL), plan(given), NOW);
  return todayView(seen, occurrencesOf(seen, requireZone), {
    zoneOf: requireZone,
    now: NOW,
    today: day('2026-10-13'),
    waiting,
  });
};
const teaching = (changes = {}) => ({
  courses: [course({ sections: [{ id: SECTION_A, name: 'A', students: 3, patterns: [], meetings: [meeting(changes)] }] })],
}); // prettier-ignore

test('what is next is the next class or event of today', () => {
  expect(view(teaching()).now?.label).toBe('Next, 10:00');
  expect(view(teaching({ date: day('2026-10-14') })).now).toBeUndefined();
});

test('work is due by its day and time, not among what happens; what is over or later than 7 days is not there', () => {
  const due = (id: string, wall: string) => assignment({ id: id as EntryId, uid: id, title: id, due: at(wall) });
  const entries = [due('Over', '2026-10-13T08:00'), due('Soon', '2026-10-15T17:00'), due('Later', '2026-10-20T17:00')];
  const { due: lines, days } = view({ entries });
  expect(lines.map(({ time, title }) => `${time} ${title}`)).toEqual(['Thu 15 Oct, by 17:00 Soon']);
  expect(days).toEqual([]);
}); // prettier-ignore

test('whoever comes stands with day, name and note, and leads to the sheet', () => {
  const [line] = view({
    sheets: [sheet([[booking({ personName: 'Ivo Saltmarsh', note: 'The bevel' })]])],
  }).comes;
  expect(line).toMatchObject({ title: 'Ivo Saltmarsh', href: '/office-hours/sheet' });
  expect(line!.time).toMatch(/^\w{3} \d+ Oct, \d\d:\d\d/);
  expect(line!.detail).toContain('The bevel');
});

describe('what waits', () => {
  const words = (given: Partial<Plan>, waiting?: WaitingCounts) => view(given, waiting).waits.map((one) => one.words); // prettier-ignore
  test('nothing', () => expect(words({})).toEqual([]));
  test('open checks and plans without a class, each with the way there', () => {
    const waiting = { ...NOTHING, checks: 2, homeless: [{ course: 'c1', key: 'HL 210', name: 'HL 210', titles: ['Moulds'] }] }; // prettier-ignore
    expect(view({}, waiting).waits).toEqual([
      { key: 'checks', words: '2 checks are open', href: '/checks' },
      {
        key: 'HL 210',
        words: '1 class plan has no class in HL 210',
        href: '/courses/HL%20210',
        slides: { course: 'c1', name: 'HL 210' },
      },
    ]);
  });
  test('questions without an answer, and those that were reported, each with the way there', () => {
    const about = { id: 'e1', title: 'Half model', path: '/e/e1' };
    expect(view({}, { ...NOTHING, questions: [{ about, unanswered: 2, reported: true }] }).waits).toEqual([
      { key: 'reported e1', words: 'A question was reported: Half model', href: '/e/e1#questions' },
      { key: 'asked e1', words: '2 questions: Half model', href: '/e/e1#questions' },
    ]);
  });
  test('classes without a plan, unless they are called off', () => {
    expect(words(teaching())).toEqual(['1 class in the next 7 days without a plan']);
    expect(words(teaching({ cancelled: '' }))).toEqual([]);
  });
  test('drafts that would come soon, a series of them once', () => {
    const draft = event({ visibility: { kind: 'draft' }, when: { kind: 'timed', start: at('2026-10-14T10:00') } }); // prettier-ignore
    expect(words({ entries: [draft] })).toEqual(['1 draft dated in the next 7 days: students do not see it']);
  });
});
