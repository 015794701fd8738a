import { afterAll, beforeAll, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { nextRun, runDueJobs } from './scheduler';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

test('a pattern names its next moment in UTC', () =>
  expect(nextRun('0 20 3 * * *', Temporal.Instant.from('2026-10-13T12:00:00Z'))).toBe(
    Temporal.Instant.from('2026-10-14T03:20:00Z').epochMilliseconds,
  ));

test('a job waits for its first moment; what was missed runs once; a failure is kept and the round goes on', async () => {
  const ran: string[] = [];
  const jobs = [
    { name: 'breaks', pattern: '0 0 * * * *', run: () => Promise.reject(new Error('no disk')) },
    { name: 'daily', pattern: '0 20 3 * * *', run: async () => void ran.push('daily') },
  ];
  let now = school.pembit.now();
  const pembit = { ...school.pembit, now: () => now };
  expect(await runDueJobs(pembit, jobs)).toEqual([]);
  // Three days without the process: two runs were missed beside the one that is due.
  now = now.add({ hours: 72 });
  expect(await runDueJobs(pembit, jobs)).toEqual(['breaks', 'daily']);
  expect(await runDueJobs(pembit, jobs)).toEqual([]);
  expect(ran).toEqual(['daily']);
  const [rows] = await school.pembit.sequelize.query('SELECT name, error FROM jobs ORDER BY name');
  expect(rows).toEqual([
    { name: 'breaks', error: 'no disk' },
    { name: 'daily', error: null },
  ]);
});
