import { asInserted } from '../../../tests/support/asInserted';
import { strToU8, zipSync } from 'fflate';
import { beforeEach, describe, expect, test } from 'vitest';
import type { PersonId } from '@/core/ids';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { corrections } from '@/data/people/corrections';
import { undoChange } from '../history/undoChange';
import { uploadFile } from '../materials/uploadFile';
import { importRosterPackage, previewRosterPackage } from './importRoster';
import { openSession, signedInBy } from '../session/session';
import { offeredPlacesOf } from '@/data/people/offeredPlaces';
import { answerPlace } from './offeredPlace';
import { addStudents, rosterOf } from './roster';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

/** `u1 Ann p2@school.example` is one student of the class. */
async function upload(students: readonly string[]): Promise<Parameters<typeof importRosterPackage>[3]> {
  const rows = students.map((text) => text.split(' '));
  const zip = zipSync({
    'classes.csv': strToU8('sourcedId,title,classCode\nc1,Hull lofting,HL 210-A'),
    'users.csv': strToU8(['sourcedId,givenName,familyName,email', ...rows.map(([id, name, email]) => `${id},${name},Strand,${email}`)].join('\n')), // prettier-ignore
    'enrollments.csv': strToU8(['classSourcedId,userSourcedId,role', ...rows.map(([id]) => `c1,${id},student`)].join('\n')), // prettier-ignore
  });
  const body = new Blob([new Uint8Array(zip)]).stream() as ReadableStream<Uint8Array>;
  const { pembit, instructor } = school;
  return {
    file: valueOf(await uploadFile(pembit, instructor, { name: 'roster.zip', as: 'package', body })).id,
  };
}
const bring = async (students: readonly string[]) =>
  importRosterPackage(school.pembit, school.instructor, school.course, await upload(students));
const look = async (students: readonly string[]) =>
  valueOf(
    await previewRosterPackage(school.pembit, school.instructor, school.course, await upload(students)),
  );
const roster = async () =>
  (await rosterOf(school.pembit, school.course)).map(({ name, email }) => `${name} ${email}`);

const asAdmin = () => ({ ...school.instructor, person: { ...school.instructor.person, isAdmin: true } });

test('a list adds and knows by address; the same again changes nothing; undo takes all back', async () => {
  const before = await roster();
  const list = ['u1 Ann p2@school.example', 'u2 Bea bea@school.example'];
  expect(await look(list)).toMatchObject({
    classes: [{ name: 'HL 210-A Hull lofting', students: 2, section: school.section }],
    lines: [
      { state: 'same', proposes: true },
      { state: 'new', name: 'Bea Strand' },
    ],
  });
  const first = await bring(list);
  expect(valueOf(first)).toEqual({ added: 1, changed: 0 });
  // Whom the list calls otherwise keeps their name: the office decides.
  expect(await roster()).toEqual(['Bea Strand bea@school.example', 'Person 2 p2@school.example', 'Person 3 p3@school.example', 'Person 4 p4@school.example']); // prettier-ignore
  expect(await corrections(school.pembit)).toMatchObject([{ name: 'Ann Strand', was: { name: 'Person 2' } }]);
  expect(valueOf(await bring(list))).toEqual({ added: 0, changed: 0 });
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(first)));
  expect(await roster()).toEqual(before);
});

test('the school’s own list says what it calls somebody; who came from one and is on it no more is named and stays', async () => {
  const list = ['u1 Ann p2@school.example', 'u2 Bea bea@school.example'];
  const official = async (students: readonly string[]) =>
    importRosterPackage(school.pembit, asAdmin(), school.course, await upload(students));
  expect(valueOf(await official(list))).toEqual({ added: 1, changed: 1 });
  expect(valueOf(await official(list))).toEqual({ added: 0, changed: 0 });
  const fewer = await look(['u1 Ann p2@school.example']);
  expect([fewer.left, fewer.lines.map(({ state }) => state)]).toEqual([['Bea Strand'], ['same']]);
  const known = await select(school.pembit, 'SELECT sourced_id FROM people WHERE sourced_id IS NOT NULL ORDER BY 1'); // prettier-ignore
  expect(known).toEqual([{ sourced_id: 'u1' }, { sourced_id: 'u2' }]);
});

describe('an account stays where it is', () => {
  const emailOf = async (id: string) =>
    (await select<{ email: string }>(school.pembit, 'SELECT email FROM people WHERE id = :id', { id }))[0]!.email; // prettier-ignore
  const idOf = async (email: string) =>
    (await select<{ id: string }>(school.pembit, 'SELECT id FROM people WHERE email = :email', { email }))[0]!.id; // prettier-ignore
  const setSourced = (id: string, sourced: string) =>
    school.pembit.sequelize.query('UPDATE people SET sourced_id = :sourced WHERE id = :id', { replacements: { id, sourced } }); // prettier-ignore

  test('somebody whom this course’s list made, and who never came, is corrected; a letter goes to the new address', async () => {
    valueOf(await bring(['u1 Ann wrong@school.example']));
    const id = await idOf('wrong@school.example');
    await setSourced(id, 'u1');
    expect(valueOf(await bring(['u1 Ann right@school.example']))).toEqual({ added: 0, changed: 1 });
    expect(await emailOf(id)).toBe('right@school.example');
    const letters = await select<{ recipient: string }>(school.pembit, `SELECT recipient FROM outbox ORDER BY ${asInserted(school.pembit)}`); // prettier-ignore
    expect(letters.map(({ recipient }) => recipient)).toEqual([
      'wrong@school.example',
      'right@school.example',
    ]);
  });

  test.each<[string, (id: string) => Promise<unknown>]>([
    ['somebody who has a password', (id) => school.pembit.sequelize.query("UPDATE people SET password_hash = 'x' WHERE id = :id", { replacements: { id } })],
    ['somebody who came by the school’s sign-in or a link alone', (id) => school.pembit.sequelize.query('UPDATE people SET came_at = 1 WHERE id = :id', { replacements: { id } })],
    ['somebody who is on another roster', (id) => school.pembit.sequelize.query("INSERT INTO roster (id, course_id, person_id) VALUES ('x', :course, :id)", { replacements: { id, course: school.other } })],
    ['somebody who teaches elsewhere', (id) => school.pembit.sequelize.query("INSERT INTO staff (id, course_id, person_id, role) VALUES ('x', :course, :id, 'co')", { replacements: { id, course: school.other } })],
    ['an administrator', (id) => school.pembit.sequelize.query('UPDATE people SET is_admin = 1 WHERE id = :id', { replacements: { id } })],
    ['somebody whom another course’s list made', (id) => school.pembit.sequelize.query('UPDATE people SET made_by_course = :course WHERE id = :id', { replacements: { id, course: school.other } })],
    ['somebody whom the office made', (id) => school.pembit.sequelize.query('UPDATE people SET made_by_course = NULL WHERE id = :id', { replacements: { id } })],
  ])('%s', async (_, make) => {
    valueOf(await bring(['u1 Ann ann@school.example']));
    const id = await idOf('ann@school.example');
    await setSourced(id, 'u1');
    await make(id);
    const since = (await select(school.pembit, 'SELECT id FROM outbox')).length;
    valueOf(await bring(['u1 Eve thief@school.example']));
    expect(await emailOf(id)).toBe('ann@school.example');
    // Nothing goes to the thief, and the office learns of it.
    expect(await select(school.pembit, 'SELECT id FROM outbox')).toHaveLength(since);
    expect(await corrections(school.pembit)).toMatchObject([{ person: id, email: 'thief@school.example' }]);
  }); // prettier-ignore

  test('a claimed id enrols nobody of another course', async () => {
    await setSourced(school.stranger.person.id, 'u9');
    valueOf(await bring(['u9 Mallory m@school.example']));
    const enrolled = await select(school.pembit, 'SELECT 1 AS one FROM roster WHERE course_id = :course AND person_id = :id', { course: school.course, id: school.stranger.person.id }); // prettier-ignore
    expect(enrolled).toEqual([]);
    expect(await roster()).toContain('Mallory Strand m@school.example');
  });
});

describe('enrolling by address', () => {
  test('tells no name that the instructor did not write, until the person has come', async () => {
    const { pembit, instructor, course, stranger } = school;
    valueOf(await addStudents(pembit, instructor, course, `Somebody, ${stranger.person.email}, A`));
    expect(await roster()).toContain(`Somebody ${stranger.person.email}`);
    expect(JSON.stringify(await roster())).not.toContain(stranger.person.name);
    const token = await openSession(pembit, stranger.person.id);
    await signedInBy(pembit, token);
    expect(await roster()).toContain(`${stranger.person.name} ${stranger.person.email}`);
  });

  test('enrols nobody who teaches or administers without their own yes', async () => {
    const { pembit, instructor, course, other } = school;
    await pembit.sequelize.query("INSERT INTO people (id, email, name, password_hash, created_at) VALUES ('00000000-0000-4000-8000-00000000000a', 'teacher@school.example', 'Nuala', 'x', 0)"); // prettier-ignore
    const id = '00000000-0000-4000-8000-00000000000a' as PersonId;
    await pembit.sequelize.query("INSERT INTO staff (id, course_id, person_id, role) VALUES ('s', :other, :id, 'instructor')", { replacements: { other, id } }); // prettier-ignore
    expect(valueOf(await addStudents(pembit, instructor, course, 'N, teacher@school.example, A'))).toEqual({ added: 0 }); // prettier-ignore
    expect(JSON.stringify(await roster())).not.toContain('teacher@school.example');
    const [place] = await offeredPlacesOf(pembit, id);
    const asked = await school.signedIn(id);
    expect(await answerPlace(pembit, school.stranger, place!.id, true)).toMatchObject({ reason: 'notFound' });
    const declined = await answerPlace(pembit, asked, place!.id, false);
    expect(await roster()).not.toContain('Nuala teacher@school.example');
    const undone = valueOf(await undoChange(pembit, asked, historyOf(declined)));
    expect(undone.summary).toBe('Nuala declined a place');
    valueOf(await answerPlace(pembit, asked, place!.id, true));
    expect(await roster()).toContain('Nuala teacher@school.example');
    expect(await offeredPlacesOf(pembit, id)).toEqual([]);
  });
});

test('a package without the tables, and one for a course of others, is refused', async () => {
  const { pembit, stranger, course, other } = school;
  const asked = await upload(['u1 Ann ann@school.example']);
  expect(await importRosterPackage(pembit, stranger, course, asked)).toMatchObject({ reason: 'notFound' });
  expect(await importRosterPackage(pembit, school.instructor, other, asked)).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  const body = new Blob([new Uint8Array(zipSync({ 'a.txt': strToU8('a') }))]).stream() as ReadableStream<Uint8Array>; // prettier-ignore
  const { id: file } = valueOf(await uploadFile(pembit, school.instructor, { name: 'r.zip', as: 'package', body })); // prettier-ignore
  expect(await previewRosterPackage(pembit, school.instructor, course, { file })).toMatchObject({
    fields: [{ message: 'The table classes.csv is missing in this package.' }],
  });
});
