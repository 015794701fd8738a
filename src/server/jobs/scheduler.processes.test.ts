import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { anotherProcess } from '../../../tests/support/processes';
import { emptySchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { claimJob, keepJob } from '@/data/jobs/jobs';
import { queueLetters } from '@/data/mail/outbox';
import { sendDueMail } from '../mail/sendMail';
import type { Pembit } from '../pembit';
import { runDueJobs } from './scheduler';

let school: Awaited<ReturnType<typeof emptySchool>>;
let here: Pembit;
let there: Pembit;
beforeEach(async () => {
  school = await emptySchool();
  here = school.pembit;
  there = await anotherProcess(here);
});
afterEach(async () => {
  await there.close();
  await school.close();
});

const heldBy = async () =>
  (await select<{ held_by: string | null }>(here, `SELECT held_by FROM jobs WHERE name = 'nightly'`))[0]
    ?.held_by;

test('a job that is due runs in one process, however many look at the same moment', async () => {
  let ran = 0;
  const job = { name: 'nightly', pattern: '0 0 3 * * *', run: async () => void ran++ };
  await Promise.all([runDueJobs(here, [job]), runDueJobs(there, [job])]);
  school.later(24 * 3_600_000);
  // This module is both processes': their claims are those of one that has it in hand already.
  const rounds = await Promise.all([here, there, here, there].map((process) => runDueJobs(process, [job])));
  expect([ran, rounds.flat()]).toEqual([1, ['nightly']]);
  expect(await heldBy()).toBeNull();
});

test('a job of a process that died goes to another when its time is over, not before; who comes back late does not keep it', async () => {
  let ran = 0;
  const job = { name: 'nightly', pattern: '0 0 3 * * *', run: async () => void ran++ };
  await runDueJobs(here, [job]);
  school.later(24 * 3_600_000);
  const nowMs = here.now().epochMilliseconds;
  const dead = { name: 'nightly', by: 'a process that died', holdMs: 700 };
  expect(await there.queue.write((writer) => claimJob(writer, { ...dead, nowMs }))).toBe(true);
  await runDueJobs(here, [job]);
  expect(ran).toBe(0);
  await vi.waitFor(async () => {
    await runDueJobs(here, [job]);
    expect(ran).toBe(1);
  }, 5000);
  expect(await there.queue.write((writer) => keepJob(writer, dead))).toBe(false);
});

test('each letter is handed over by one process', async () => {
  const nowMs = here.now().epochMilliseconds;
  const letters = Array.from({ length: 120 }, (_, i) => ({
    to: `p${i}@school.example`,
    subject: 'S',
    text: 'T',
    sender: null,
  }));
  await here.queue.write((writer) => queueLetters(writer, letters, nowMs));
  const carried: string[] = [];
  const carry = async ({ to }: { to: string }) => {
    await new Promise((resolve) => setTimeout(resolve, 1));
    carried.push(to);
  };
  for (let round = 0; round < 3; round++)
    await Promise.all([sendDueMail(here, carry), sendDueMail(there, carry)]);
  expect(carried.sort()).toEqual(letters.map(({ to }) => to).sort());
  expect(await select(here, `SELECT id FROM outbox WHERE state <> 'sent' OR held_until IS NOT NULL`)).toEqual(
    [],
  );
});

test('a letter that a process died with is handed over by another, under the same Message-ID', async () => {
  const nowMs = here.now().epochMilliseconds;
  await here.queue.write((writer) =>
    queueLetters(writer, [{ to: 'p@school.example', subject: 'S', text: 'T', sender: null }], nowMs),
  );
  const ids: string[] = [];
  // It is handed over; before that is noted, the process is gone.
  const dying = {
    ...there,
    queue: {
      ...there.queue,
      write: ((work, options) =>
        ids.length > 0
          ? new Promise(() => undefined)
          : there.queue.write(work, options)) as typeof there.queue.write,
    },
  };
  const carry = async ({ id }: { id: string }) => void ids.push(id);
  void sendDueMail(dying, carry, 10);
  await vi.waitFor(() => expect(ids).toHaveLength(1));
  await sendDueMail(here, carry);
  expect(ids).toHaveLength(1);
  await vi.waitFor(async () => {
    await sendDueMail(here, carry);
    expect(ids).toHaveLength(2);
  }, 5000);
  expect(new Set(ids).size).toBe(1);
});
