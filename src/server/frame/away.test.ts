import { afterAll, beforeAll, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { awayInput } from '@/core/frame/awayInput';
import { patternInput } from '@/core/frame/frameInput';
import type { HistoryId } from '@/core/ids';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { undoChange } from '../history/undoChange';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { beAway, previewAway } from './away';
import { changeWeek } from './sections';

let school: School;
beforeAll(async () => {
  school = await newSchool();
  const { pembit, instructor, section, course, students } = school;
  await must(
    changeWeek(
      pembit,
      instructor,
      section,
      patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:50' }),
    ),
  );
  const sheet = await must(
    offerTimes(
      pembit,
      instructor,
      sheetInput.parse({
        title: 'Office hours',
        audience: [{ course }],
        offering: { length: 30, stretches: [{ date: '2026-10-21', start: '12:00', end: '13:00' }] },
      }),
    ),
  );
  await must(takeTime(pembit, students[0]!, sheet.value.slots[0]!.id, {}));
});
afterAll(() => school.close());

async function must<T extends { ok: boolean }>(work: Promise<T>): Promise<Extract<T, { ok: true }>> {
  const outcome = await work;
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome as Extract<T, { ok: true }>;
}
const days = (changes: object = {}) => awayInput.parse({ from: '2026-10-20', to: '2026-10-22', ...changes });
const off = () =>
  select<{ date: string; cancelled: string }>(
    school.pembit,
    'SELECT date, cancelled FROM meetings WHERE cancelled IS NOT NULL ORDER BY date',
  );
const slots = async () => (await select(school.pembit, 'SELECT id FROM slots')).length;

test('what being away would call off is said by name, and nothing is saved', async () => {
  const { value } = await must(previewAway(school.pembit, school.instructor, days()));
  expect(value).toEqual({
    classes: ['HL Class 13 · Tue 20 Oct, 10:00', 'HL Class 14 · Thu 22 Oct, 10:00'],
    times: ['Office hours · Wed 21 Oct, 12:00 · Person 2', 'Office hours · Wed 21 Oct, 12:30'],
    holding: 1,
  });
  expect(await off()).toEqual([]);
  // Where a colleague holds the classes, one's own times go alone.
  const without = await must(previewAway(school.pembit, school.instructor, days({ courses: [] })));
  expect([without.value.classes, without.value.times.length]).toEqual([[], 2]);
});

test('classes and times are called off in one act, whoever holds a time is written to, one undo brings all back', async () => {
  const letters = async () => (await select(school.pembit, 'SELECT id FROM outbox')).length;
  const before = await letters();
  const away = await must(beAway(school.pembit, school.instructor, days({ reason: 'At a survey' })));
  expect(away.value).toEqual({ classes: 2, times: 2, told: 1 });
  expect(await off()).toEqual([
    { date: '2026-10-20', cancelled: 'At a survey' },
    { date: '2026-10-22', cancelled: 'At a survey' },
  ]);
  expect(await slots()).toBe(0);
  expect(await letters()).toBeGreaterThan(before);
  await must(undoChange(school.pembit, school.instructor, away.history as HistoryId));
  expect(await off()).toEqual([]);
  expect(await slots()).toBe(2);
});

test('who neither teaches nor helps is refused, and so is calling off nothing', async () => {
  expect(await beAway(school.pembit, school.students[0]!, days())).toMatchObject({ reason: 'notYours' });
  expect(await beAway(school.pembit, school.instructor, days({ from: '2026-10-24', to: '2026-10-25' }))).toMatchObject({ reason: 'nothingCalledOff' }); // prettier-ignore
  expect(awayInput.safeParse({ from: '2026-10-22', to: '2026-10-20' }).success).toBe(false);
});
