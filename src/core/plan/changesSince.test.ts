import { expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  assignment,
  at,
  course,
  day,
  event,
  meeting,
  plan,
  student,
} from '../../../tests/support/plans';
import type { SharedEntry } from '../entries/entry';
import type { EntryId, SectionId } from '../ids';
import { momentText } from '../time/zonedWall';
import type { Earlier } from './changesSince';
import { changesSince } from './changesSince';
import { seenPlan } from './seenPlan';

const since = NOW.subtract({ hours: 48 });
const work = assignment({ setOn: undefined });
const was = (changes: Partial<NonNullable<Earlier['was']>> = {}, id: string = work.id): Earlier => ({
  id,
  was: { start: at('2026-10-15T17:00'), title: 'Body plan', cancelled: false, courses: [HL], ...changes },
});
const told = (entries: readonly SharedEntry[], earlier: readonly Earlier[]) =>
  changesSince(seenPlan(student(), plan({ entries }), NOW), earlier, { since, now: NOW }).map(
    ({ kind, title, was: before, now }) => `${kind} ${title} ${before ? `${momentText(before)} to ` : ''}${momentText(now)}`,
  ); // prettier-ignore

test.each<[string, readonly SharedEntry[], readonly Earlier[], readonly string[]]>([
  ['nothing has happened', [work], [], []],
  ['it was put in since', [work], [{ id: work.id }], ['new Body plan 2026-10-15T17:00']],
  ['it was a draft, or not for the student', [work], [{ id: work.id }], ['new Body plan 2026-10-15T17:00']],
  ['it is gone', [], [was()], ['gone Body plan 2026-10-15T17:00']],
  ['it was gone already, or never seen', [], [{ id: work.id }], []],
  ['it begins to be shown by itself', [{ ...work, visibility: { kind: 'from', from: at('2026-10-12T08:00'), at: NOW.subtract({ hours: 24 }) } }], [], ['new Body plan 2026-10-15T17:00']],
  ['it was shown before that', [{ ...work, visibility: { kind: 'from', from: at('2026-10-01T08:00'), at: NOW.subtract({ hours: 240 }) } }], [], []],
  ['it moved twice: from where it first stood', [work], [was({ start: at('2026-10-12T17:00') }), was({ start: at('2026-10-14T17:00') })], ['moved Body plan 2026-10-12T17:00 to 2026-10-15T17:00']],
  ['it went away and came back', [work], [was(), was({ start: at('2026-10-14T17:00') })], []],
  ['it was called off', [{ ...work, cancelled: 'ill' }], [was()], ['cancelled Body plan 2026-10-15T17:00']],
  ['it takes place after all', [work], [was({ cancelled: true })], ['takesPlace Body plan 2026-10-15T17:00']],
  ['it has another title', [work], [was({ title: 'Plan' })], ['changed Body plan 2026-10-15T17:00']],
  ['everybody’s date moved, and the student’s own did not', [{ ...work, extensions: [{ person: IVO, name: 'Ivo', due: at('2026-10-20T17:00') }] }], [was({ start: at('2026-10-20T17:00') })], []],
  ['the student’s own date moved', [{ ...work, extensions: [{ person: IVO, name: 'Ivo', due: at('2026-10-20T17:00') }] }], [was()], ['moved Body plan 2026-10-15T17:00 to 2026-10-20T17:00']],
  ['it is not for the student', [{ ...work, audience: [{ course: HL, sections: ['b' as SectionId] }] }], [{ id: work.id }], []],
  ['several, by the time when they are', [work, event({ id: 'e2' as EntryId })], [{ id: work.id }, { id: 'e2' }], ['new Rope walk 2026-10-13T14:00', 'new Body plan 2026-10-15T17:00']],
])('when %s', (_, entries, earlier, expected) => expect(told(entries, earlier)).toEqual(expected)); // prettier-ignore

test('a class that was moved by hand, from when to when', () => {
  const moved = meeting({ date: day('2026-10-14'), moved: true });
  const sections = [{ ...course().sections[0]!, meetings: [moved] }];
  const seen = seenPlan(student(), plan({ courses: [course({ sections })] }), NOW);
  const earlier = [was({ start: at('2026-10-13T10:00'), title: '' }, moved.id)];
  const [change] = changesSince(seen, earlier, { since, now: NOW });
  expect(change).toMatchObject({ kind: 'moved', key: moved.id, title: 'Class 11' });
  expect([change!.was!, change!.now].map(momentText)).toEqual(['2026-10-13T10:00', '2026-10-14T10:00']);
});
