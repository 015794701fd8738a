import { afterAll, beforeAll, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { settingsInput } from '@/core/frame/schoolSettings';
import { outletInput } from '@/core/outlets/outletInput';
import { changeSettings, schoolNotice } from '../frame/settings';
import { createOutletAnswerer } from '../outlets/answerOutlet';
import { writeReads } from '../outlets/countReads';
import { publish } from '../outlets/publish';
import type { SignedIn } from '../session/session';
import { officePage } from './officePage';
import { addStudents } from './roster';

let school: School;
let office: SignedIn;
beforeAll(async () => {
  school = await newSchool();
  office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
});
afterAll(() => school.close());

test('the office reads in numbers what is used', async () => {
  const { pembit, instructor, course } = school;
  const before = (await officePage(pembit, 'America/Halifax')).used;
  valueOf(await addStudents(pembit, instructor, course, 'Fen Osprey, fen@s.example, A'));
  const { url } = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [course] }))); // prettier-ignore
  const answer = createOutletAnswerer(pembit);
  for (const _ of [1, 2])
    await answer({ method: 'GET', path: new URL(url).pathname, query: '', headers: {} });
  await writeReads(pembit);
  const after = (await officePage(pembit, 'America/Halifax')).used;
  expect(after).toMatchObject({
    people: before.people + 1,
    outlets: before.outlets + 1,
    reads: before.reads + 2,
    letters: 0,
    failed: 0,
  });
});

test('a line for everybody stands until it is taken away; it is the office’s alone', async () => {
  const { pembit, instructor } = school;
  const set = (actor: SignedIn, notice?: string) =>
    changeSettings(
      pembit,
      actor,
      settingsInput.parse({ name: 'Kittiwake Point', ...(notice === undefined ? {} : { notice }) }),
    );
  expect(await schoolNotice(pembit)).toBe('');
  expect(await set(instructor, 'Mine')).toMatchObject({ reason: 'notYours' });
  valueOf(await set(office, 'Saturday 20:00: the server is looked after'));
  expect(await schoolNotice(pembit)).toBe('Saturday 20:00: the server is looked after');
  // Saved again without saying anything of it.
  valueOf(await set(office));
  expect(await schoolNotice(pembit)).toBe('Saturday 20:00: the server is looked after');
  valueOf(await set(office, ''));
  expect(await schoolNotice(pembit)).toBe('');
});
