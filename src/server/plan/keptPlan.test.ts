import { afterAll, beforeAll, expect, test } from 'vitest';
import type { CourseId } from '@/core/ids';
import { entryInput } from '@/core/entries/entryInput';
import { newSchool } from '../../../tests/support/school';
import type { School } from '../../../tests/support/school';
import { valueOf } from '../../../tests/support/outcomes';
import { loadPlan } from '@/data/plan/loadPlan';
import { planEntry } from '../entries/planEntry';
import { keptPlan } from './keptPlan';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const titles = async () =>
  (await keptPlan(school.pembit, [school.course])).entries.map((entry) => entry.title);

/** What was read of the course: the same object as long as it is kept. */
const read = async () => (await keptPlan(school.pembit, [school.course])).courses[0];

test('a course is read once as long as nothing is written', async () => {
  const first = await read();
  expect(await read()).toBe(first);
  const both = await keptPlan(school.pembit, [school.course, school.other]);
  expect(both.courses.find(({ id }) => id === school.course)).toBe(first);
});

test('what was written is in the next plan', async () => {
  expect(await titles()).toEqual([]);
  const audience = [{ course: school.course }];
  const input = entryInput.parse({ kind: 'announcement', title: 'Bring a rule', on: '2026-10-14', audience });
  valueOf(await planEntry(school.pembit, school.instructor, input));
  expect(await titles()).toEqual(['Bring a rule']);
});

test('several courses are what one reading of them all gives, with what they share once', async () => {
  const { pembit, course, other, instructor } = school;
  const both = { ...instructor, viewer: { ...instructor.viewer, staffOf: new Set([course, other]) } };
  const audience = [{ course }, { course: other }];
  const input = entryInput.parse({ kind: 'event', title: 'Open day', start: '2026-10-17T10:00', audience });
  valueOf(await planEntry(pembit, both, input));
  const note = entryInput.parse({ kind: 'note', title: 'Order cedar', on: '2026-10-16' });
  valueOf(await planEntry(pembit, both, note));
  const me = instructor.person.id;
  const kept = await keptPlan(pembit, [course, other], me);
  const whole = await loadPlan(pembit, [course, other], me);
  const sorted = ({ entries, ...plan }: typeof kept) => ({
    ...plan,
    entries: [...entries].sort((a, b) => (a.id < b.id ? -1 : 1)),
  });
  expect(sorted(kept)).toEqual(sorted(whole));
  expect(kept.entries.filter(({ title }) => title === 'Open day')).toHaveLength(1);
});

test('a write that failed, or that no plan is read from, leaves what is kept as it is', async () => {
  const first = await read();
  await expect(
    school.pembit.queue.write(() => Promise.reject(new Error('The disk is full.'))),
  ).rejects.toThrow('full');
  await school.pembit.queue.write(() => Promise.resolve(), { aside: true });
  expect(await read()).toBe(first);
});

test('the courses of a large school are kept, and not more', async () => {
  const first = await read();
  const others = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, i) => `course-${from + i}` as CourseId);
  await keptPlan(school.pembit, others(0, 230));
  expect(await read()).toBe(first);
  await keptPlan(school.pembit, others(230, 480));
  expect(await read()).not.toBe(first);
});
