import { afterAll, beforeAll, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { failedLetters, queueLetters } from '@/data/mail/outbox';
import { select } from '@/data/database';
import { sendDueMail } from './sendMail';

let school: School;
let shiftMs = 0;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

/** The same school with its clock put forward. */
const later = () => {
  const { now } = school.pembit;
  return { ...school.pembit, now: () => now().add({ milliseconds: shiftMs }) };
};
const states = () =>
  select<{ recipient: string; state: string; attempts: number }>(
    school.pembit,
    'SELECT recipient, state, attempts FROM outbox ORDER BY recipient',
  );
const queue = (to: string) =>
  school.pembit.queue.write((writer) =>
    queueLetters(
      writer,
      [{ to, subject: 'Hello', text: 'Hello.', sender: school.instructor.person.id }],
      school.pembit.now().epochMilliseconds,
    ),
  );

test('a letter is carried once; one that fails waits longer each time, under one Message-ID, and is given up at last', async () => {
  await queue('a@school.example');
  await queue('b@school.example');
  const carried: string[] = [];
  const carry = (letter: { id: string; to: string }) => {
    carried.push(`${letter.to} ${letter.id}`);
    return letter.to.startsWith('b') ? Promise.reject(new Error('The mailbox is full.')) : Promise.resolve();
  };
  await sendDueMail(later(), carry);
  await sendDueMail(later(), carry);
  expect(carried).toHaveLength(2);
  expect(await states()).toEqual([
    { recipient: 'a@school.example', state: 'sent', attempts: 1 },
    { recipient: 'b@school.example', state: 'queued', attempts: 1 },
  ]);
  for (let day = 1; day <= 6; day++) {
    shiftMs = day * 24 * 3_600_000;
    await sendDueMail(later(), carry);
  }
  expect(new Set(carried.filter((line) => line.startsWith('b'))).size).toBe(1);
  expect((await states())[1]).toEqual({ recipient: 'b@school.example', state: 'failed', attempts: 6 });
  expect(await failedLetters(school.pembit, school.instructor.person.id)).toMatchObject([
    { recipient: 'b@school.example', subject: 'Hello', error: 'The mailbox is full.' },
  ]);
  expect(await failedLetters(school.pembit, school.students[0]!.person.id)).toEqual([]);
});
