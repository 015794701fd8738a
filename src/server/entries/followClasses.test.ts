import { afterAll, beforeAll, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { closureInput, meetingInput, patternInput } from '@/core/frame/frameInput';
import { momentText } from '@/core/time/zonedWall';
import { loadPlan } from '@/data/plan/loadPlan';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { addClosure } from '../frame/closures';
import { changeMeeting } from '../frame/changeMeeting';
import { changeWeek } from '../frame/sections';
import { undoChange } from '../history/undoChange';
import { changeEntry } from './changeEntry';
import { planEntry } from './planEntry';
import { shiftEntries } from './shiftEntry';

let school: School;
beforeAll(async () => {
  school = await newSchool();
  const week = patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:15' });
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, week));
});
afterAll(() => school.close());

const work = (json: object = {}) =>
  entryInput.parse({
    kind: 'assignment',
    title: 'Half model',
    audience: [{ course: school.course }],
    atClass: { setOn: { ordinal: 3 }, due: { ordinal: 5 } },
    ...json,
  });
const plan = () => loadPlan(school.pembit, [school.course]);
const dates = async () => {
  const entry = (await plan()).entries.find((e) => e.title === 'Half model');
  return entry?.kind === 'assignment' ? `${entry.setOn?.toString()} ${momentText(entry.due)}` : undefined;
};

test('work bound to classes is dated by them, and goes where they go; each act is undone', async () => {
  const { pembit, instructor } = school;
  const entry = valueOf(await planEntry(pembit, instructor, work()));
  expect(await dates()).toBe('2026-09-15 2026-09-22T10:00');
  const undo = async (act: Parameters<typeof historyOf>[0]) => {
    valueOf(await undoChange(pembit, instructor, historyOf(act)));
    expect(await dates()).toBe('2026-09-15 2026-09-22T10:00');
  };

  const closure = closureInput.parse({ term: school.term, course: school.course, name: 'Storm', firstDay: '2026-09-17', lastDay: '2026-09-17' }); // prettier-ignore
  const closed = await addClosure(pembit, instructor, closure);
  expect(await dates()).toBe('2026-09-15 2026-09-24T10:00');
  await undo(closed);

  const [section] = (await plan()).courses[0]!.sections;
  const fifth = section!.meetings.find((m) => m.ordinal === 5)!;
  const move = meetingInput.parse({ act: 'move', date: '2026-09-23', start: '13:00', end: '14:15' });
  const moved = await changeMeeting(pembit, instructor, fifth.id, move);
  expect(await dates()).toBe('2026-09-15 2026-09-23T13:00');
  await undo(moved);

  const shifted = await shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 1, along: false });
  expect(await dates()).toBe('2026-09-15 2026-09-23T10:00');
  await undo(shifted);
});

test('a class that there is not is refused by name, at first and when changing', async () => {
  const { pembit, instructor } = school;
  const refusal = { ok: false, reason: 'badRequest', fields: [{ field: 'atClass.due', message: 'There is no class 99 in these courses.' }] }; // prettier-ignore
  const impossible = work({ title: 'Impossible', atClass: { due: { ordinal: 99 } } });
  expect(await planEntry(pembit, instructor, impossible)).toMatchObject(refusal);
  const entry = (await plan()).entries.find((e) => e.title === 'Half model')!;
  const asked = { id: entry.id, sequence: entry.sequence, scope: 'all' } as const;
  expect(await changeEntry(pembit, instructor, asked, impossible)).toMatchObject(refusal);
});

test('what is set after it is due is refused when classes say so, too', async () => {
  const backwards = work({ atClass: { setOn: { ordinal: 6 }, due: { ordinal: 5 } } });
  expect(await planEntry(school.pembit, school.instructor, backwards)).toMatchObject({ ok: false, fields: [{ field: 'setOn' }] }); // prettier-ignore
});
