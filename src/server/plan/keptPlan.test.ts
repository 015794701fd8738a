import { afterAll, beforeAll, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { newSchool } from '../../../tests/support/school';
import type { School } from '../../../tests/support/school';
import { valueOf } from '../../../tests/support/outcomes';
import { planEntry } from '../entries/planEntry';
import { keptPlan } from './keptPlan';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const titles = async () =>
  (await keptPlan(school.pembit, [school.course])).entries.map((entry) => entry.title);

test('a plan is read once as long as nothing is written', async () => {
  const first = await keptPlan(school.pembit, [school.course]);
  expect(await keptPlan(school.pembit, [school.course])).toBe(first);
});

test('what was written is in the next plan', async () => {
  expect(await titles()).toEqual([]);
  const audience = [{ course: school.course }];
  const input = entryInput.parse({ kind: 'announcement', title: 'Bring a rule', on: '2026-10-14', audience });
  valueOf(await planEntry(school.pembit, school.instructor, input));
  expect(await titles()).toEqual(['Bring a rule']);
});

test('a write that failed, or that no plan is read from, leaves the plan as it is', async () => {
  const first = await keptPlan(school.pembit, [school.course]);
  await expect(
    school.pembit.queue.write(() => Promise.reject(new Error('The disk is full.'))),
  ).rejects.toThrow('full');
  await school.pembit.queue.write(() => Promise.resolve(), { aside: true });
  expect(await keptPlan(school.pembit, [school.course])).toBe(first);
});

test('at most forty plans are kept', async () => {
  const first = await keptPlan(school.pembit, [school.course]);
  for (let i = 0; i < 40; i++) await keptPlan(school.pembit, [], `author-${i}` as never);
  expect(await keptPlan(school.pembit, [school.course])).not.toBe(first);
});
