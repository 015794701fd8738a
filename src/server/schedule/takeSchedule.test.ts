import { afterAll, beforeAll, expect, test } from 'vitest';
import { patternInput, sectionInput } from '@/core/frame/frameInput';
import type { HistoryId } from '@/core/ids';
import { scheduleInput } from '@/core/schedule/scheduleInput';
import { loadPlan } from '@/data/plan/loadPlan';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { addSection, changeWeek } from '../frame/sections';
import { undoChange } from '../history/undoChange';
import { previewSchedule, takeSchedule } from './takeSchedule';

let school: School;
beforeAll(async () => {
  school = await newSchool();
  const week = patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:50' });
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, week));
});
afterAll(() => school.close());

const SCHEDULE = `Week 7 (Oct 19-23)
Tue: Moulds
Thu: Ribbands
Essay 1: set Oct 20, due Nov 3, 5pm (20 points)
Harbour visit, Saturday Oct 24, 8:30-12:00
Reading week Nov 9-13
Nov 17: Planking https://planks.example/spiling`;
const preview = (text: string, actor = school.instructor) => previewSchedule(school.pembit, actor, school.course, text); // prettier-ignore
const take = async (lines: object, actor = school.instructor) =>
  takeSchedule(school.pembit, actor, school.course, scheduleInput.parse({ lines }));
const plan = () => loadPlan(school.pembit, [school.course]);
const topics = async () => (await plan()).classPlans.map(({ title }) => title).sort();

test('a schedule is read, taken in one act, the same again changes nothing, and one undo takes all of it back', async () => {
  const { lines } = valueOf(await preview(SCHEDULE));
  expect(lines.flatMap(({ asks }) => asks)).toEqual([]);
  const taken = await take(lines);
  expect(valueOf(taken)).toMatchObject({ topics: 3, entries: 2, closures: 1, same: 0, left: [] });
  expect(await topics()).toEqual(['Moulds', 'Planking', 'Ribbands']);
  const after = await plan();
  expect(after.entries.map(({ title }) => title).sort()).toEqual(['Essay 1', 'Harbour visit']);
  const essay = after.entries.find(({ title }) => title === 'Essay 1');
  expect(essay).toMatchObject({ kind: 'assignment', points: 20 });
  expect(String((essay as unknown as { due: { wall: unknown } }).due.wall)).toBe('2026-11-03T17:00:00');
  expect(after.closures.map(({ name }) => name)).toEqual(['Reading week']);
  expect(after.classPlans.find(({ title }) => title === 'Planking')?.links).toMatchObject([{ url: 'https://planks.example/spiling' }]); // prettier-ignore

  const again = valueOf(await preview(SCHEDULE)).lines;
  expect(again.filter(({ kind }) => kind !== 'heading').every(({ state }) => state === 'same')).toBe(true);
  expect(valueOf(await take(lines))).toMatchObject({ topics: 0, entries: 0, closures: 0, same: 6 });
  expect((await plan()).entries).toHaveLength(2);

  const history = (taken as unknown as { history: HistoryId }).history;
  valueOf(await undoChange(school.pembit, school.instructor, history));
  const back = await plan();
  expect([back.entries, back.classPlans, back.closures]).toEqual([[], [], []]);
});

test('what stands on a class is named before it is written over; what cannot be planned is left with its reason', async () => {
  valueOf(await take([{ kind: 'topic', title: 'Battens', date: '2026-10-20' }]));
  const [line] = valueOf(await preview('Oct 20: Moulds')).lines;
  expect(line).toMatchObject({ state: 'replaces', replaces: 'Battens' });
  const taken = valueOf(
    await take([
      { kind: 'topic', title: 'Moulds', date: '2026-10-20' },
      { kind: 'topic', title: 'On a Sunday', date: '2026-10-25' },
      { kind: 'times', title: 'Office hours T/Th 12-2' },
      { kind: 'due', title: 'Essay 9', date: '2026-10-30', set: '2026-11-20' },
    ]),
  );
  expect(taken).toMatchObject({ topics: 1 });
  expect(taken.left.map(({ text }) => text)).toEqual(expect.arrayContaining(['On a Sunday', 'Office hours T/Th 12-2'])); // prettier-ignore
  expect(await topics()).toEqual(['Moulds']);
});

test('others neither read a course by its schedule nor plan it, and lines without a day are refused', async () => {
  expect(await preview(SCHEDULE, school.stranger)).toMatchObject({ ok: false });
  expect(await take([{ kind: 'topic', title: 'X', date: '2026-10-20' }], school.stranger)).toMatchObject({
    ok: false,
  });
  const bad = scheduleInput.safeParse({ lines: [{ kind: 'due', title: 'Essay' }] });
  expect(bad.success).toBe(false);
  expect(scheduleInput.safeParse({ lines: [{ kind: 'heading' }] }).success).toBe(true);
});

test('a topic stands on the class of the same number in every section, and one that is renamed keeps its classes', async () => {
  const { pembit, instructor, course } = school;
  valueOf(
    await addSection(pembit, instructor, course, sectionInput.parse({ name: 'B', week: 'Wed Fri 10-11:50' })),
  );
  valueOf(await take([{ kind: 'topic', title: 'Scarfs', date: '2026-11-26' }]));
  const [frame] = (await plan()).courses;
  const on = async (title: string) =>
    (await plan()).classPlans
      .find((one) => one.title === title)!
      .bindings.map(({ meeting }) => {
        const found = frame!.sections.flatMap(({ name, meetings }) =>
          meetings.flatMap((m) => (m.id === meeting ? [`${name} ${m.ordinal}`] : [])),
        );
        return found[0];
      })
      .sort();
  const ordinal = frame!.sections[0]!.meetings.find(({ date }) => date.toString() === '2026-11-26')!.ordinal;
  expect(await on('Scarfs')).toEqual([`A ${ordinal}`, `B ${ordinal}`]);
  // By the day of the other section it is the same plan.
  const wednesday = frame!.sections[1]!.meetings.find((m) => m.ordinal === ordinal)!.date.toString();
  valueOf(await take([{ kind: 'topic', title: 'Scarf joints', date: wednesday }]));
  expect(await on('Scarf joints')).toEqual([`A ${ordinal}`, `B ${ordinal}`]);
  expect((await plan()).classPlans.filter(({ title }) => title.startsWith('Scarf'))).toHaveLength(1);
});
