import { beforeEach, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { messageInput, recipientsInput } from '@/core/messages/messageInput';
import { select } from '@/data/database';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { planEntry } from '../entries/planEntry';
import { previewMessage, writeToStudents, writtenTo } from './writeToStudents';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});
const letters = () =>
  select<{ recipient: string; subject: string; body: string; sender_id: string }>(
    school.pembit,
    'SELECT recipient, subject, body, sender_id FROM outbox ORDER BY recipient',
  );

test('staff write to students of a course: looked at first, a letter to each, kept with what it is about', async () => {
  const { pembit, instructor, course, section } = school;
  const planned = await planEntry(pembit, instructor, entryInput.parse({ kind: 'event', title: 'Slipway visit', start: '2026-10-14T15:00', audience: [{ course }] })); // prettier-ignore
  const entry = valueOf(planned).id;
  const whom = { sections: [section], condition: { kind: 'withoutTime', within: 'thisWeek' }, entry };
  const preview = valueOf(await previewMessage(pembit, instructor, course, recipientsInput.parse(whom)));
  expect(preview.count).toBe(preview.names.length);
  expect(preview.count).toBeGreaterThan(0);
  expect(preview.audience).toMatch(/^section A of \S+, without a time this week$/);
  expect(await letters()).toEqual([]);

  const input = messageInput.parse({ ...whom, subject: 'Gloves', text: 'Bring gloves.\n' });
  expect(valueOf(await writeToStudents(pembit, instructor, course, input))).toEqual({ told: preview.count });
  const sent = await letters();
  expect(sent).toHaveLength(preview.count);
  // To each by themselves; whoever replies writes to the author.
  expect(new Set(sent.map(({ recipient }) => recipient)).size).toBe(preview.count);
  expect(new Set(sent.map(({ sender_id: sender }) => sender))).toEqual(new Set([instructor.person.id]));
  expect(sent[0]!.body).toMatch(/Bring gloves\.\n\nSlipway visit: .*\/e\//);
  const others = sent.slice(1).map(({ recipient }) => recipient);
  expect(others.some((address) => sent[0]!.body.includes(address))).toBe(false);

  const [kept] = await writtenTo(pembit, instructor, { course, entry });
  expect(kept).toMatchObject({ subject: 'Gloves', body: 'Bring gloves.', told: preview.count, audience: preview.audience }); // prettier-ignore
});

test('nobody else writes, an entry of elsewhere is none, and a condition has to have something to speak of', async () => {
  const { pembit, instructor, stranger, students, course, other } = school;
  const all = messageInput.parse({ subject: 'Gloves', text: 'Bring gloves.' });
  for (const actor of [stranger, students[0]!])
    expect(await writeToStudents(pembit, actor, course, all)).toMatchObject({ reason: 'notFound' });
  expect(await writeToStudents(pembit, instructor, other, all)).toMatchObject({ reason: 'notFound' });
  expect(await writtenTo(pembit, stranger, { course })).toEqual([]);
  const elsewhere = { ...all, entry: '4b8c7f6e-1111-4222-8333-944455556666' as never };
  expect(await writeToStudents(pembit, instructor, course, elsewhere)).toMatchObject({ fields: [{ field: 'entry' }] }); // prettier-ignore
  const asks = messageInput.parse({ ...all, condition: { kind: 'coming' } });
  expect(await writeToStudents(pembit, instructor, course, asks)).toMatchObject({ fields: [{ field: 'condition' }] }); // prettier-ignore
  const nobody = messageInput.parse({ ...all, people: [instructor.person.id] });
  expect(await writeToStudents(pembit, instructor, course, nobody)).toMatchObject({ reason: 'nobodyToTell' });
  expect(await letters()).toEqual([]);
});
