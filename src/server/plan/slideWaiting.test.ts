import { afterAll, beforeAll, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import { classPlanInput } from '@/core/plan/classPlanInput';
import { loadPlan } from '@/data/plan/loadPlan';
import { addClosure } from '../frame/closures';
import { changeWeek } from '../frame/sections';
import { undoChange } from '../history/undoChange';
import type { SignedIn } from '../session/session';
import { planClass } from './classPlans';
import { slideWaiting } from './slideWaiting';

let school: School;
let office: SignedIn;
beforeAll(async () => {
  school = await newSchool();
  office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
  const week = patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:50' });
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, week));
});
afterAll(() => school.close());

/** What is planned on which day, in the order of days; without a class last. */
async function planned(): Promise<string[]> {
  const { courses, classPlans } = await loadPlan(school.pembit, [school.course]);
  const { meetings } = courses[0]!.sections[0]!;
  return classPlans
    .map(({ title, bindings }) => {
      const date = meetings.find(({ id }) => id === bindings[0]?.meeting)?.date.toString();
      return `${date ?? 'no class'} ${title}`;
    })
    .sort();
}

test('plans that lost their class to the office’s closure slide in, in their order, by one act with one undo', async () => {
  const { pembit, instructor, course, term } = school;
  const before = (await loadPlan(pembit, [course])).courses[0]!.sections[0]!.meetings;
  const on = (date: string) => before.find((meeting) => meeting.date.toString() === date)!.id;
  for (const [date, title] of [['2026-10-20', 'Moulds'], ['2026-10-22', 'Stem'], ['2026-10-27', 'Keel']] as const)
    valueOf(await planClass(pembit, instructor, on(date), classPlanInput.parse({ title })));
  expect(await slideWaiting(pembit, instructor, course)).toMatchObject({ reason: 'badRequest' });
  const storm = closureInput.parse({ term, name: 'Storm', firstDay: '2026-10-20', lastDay: '2026-10-22' });
  valueOf(await addClosure(pembit, office, storm));
  const waiting = ['2026-10-27 Keel', 'no class Moulds', 'no class Stem'];
  expect(await planned()).toEqual(waiting);
  for (const other of [school.students[0]!, school.stranger])
    expect(await slideWaiting(pembit, other, course)).toMatchObject({ reason: 'notFound' });
  const slid = await slideWaiting(pembit, instructor, course);
  expect(valueOf(slid)).toEqual({ plans: 2 });
  expect(await planned()).toEqual(['2026-10-27 Moulds', '2026-10-29 Stem', '2026-11-03 Keel']);
  valueOf(await undoChange(pembit, instructor, historyOf(slid)));
  expect(await planned()).toEqual(waiting);
}); // prettier-ignore
