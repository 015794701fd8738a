import { strToU8, zipSync } from 'fflate';
import { beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { undoChange } from '../history/undoChange';
import { uploadFile } from '../materials/uploadFile';
import { importRosterPackage, previewRosterPackage } from './importRoster';
import { rosterOf } from './roster';

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

test('a list adds, knows and corrects; the same again changes nothing; who left is named and stays; undo takes all back', async () => {
  const before = await roster();
  const list = ['u1 Ann p2@school.example', 'u2 Bea bea@school.example'];
  expect(await look(list)).toMatchObject({
    classes: [{ name: 'HL 210-A Hull lofting', students: 2, section: school.section }],
    lines: [{ state: 'changed' }, { state: 'new', name: 'Bea Strand' }],
    left: [],
  });
  const first = await bring(list);
  expect(valueOf(first)).toEqual({ added: 1, changed: 1 });
  expect(await roster()).toEqual(['Ann Strand p2@school.example', 'Bea Strand bea@school.example', 'Person 3 p3@school.example', 'Person 4 p4@school.example']); // prettier-ignore
  expect(valueOf(await bring(list))).toEqual({ added: 0, changed: 0 });
  const fewer = await look(['u1 Ann p2@school.example']);
  expect([fewer.left, fewer.lines.map(({ state }) => state)]).toEqual([['Bea Strand'], ['same']]);
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(first)));
  expect(await roster()).toEqual(before);
});

test('an address that was wrong is corrected while nobody has signed in with it, and is their own afterwards', async () => {
  valueOf(await bring(['u1 Ann wrong@school.example']));
  expect(valueOf(await bring(['u1 Ann right@school.example']))).toEqual({ added: 0, changed: 1 });
  expect(await roster()).toContain('Ann Strand right@school.example');
  const letters = await select<{ recipient: string }>(school.pembit, 'SELECT recipient FROM outbox ORDER BY rowid'); // prettier-ignore
  expect(letters.map(({ recipient }) => recipient)).toEqual(['wrong@school.example', 'right@school.example']);
  await school.pembit.sequelize.query("UPDATE people SET password_hash = 'x' WHERE sourced_id = 'u1'");
  expect(valueOf(await bring(['u1 Eve thief@school.example']))).toEqual({ added: 0, changed: 0 });
  expect(await roster()).toContain('Ann Strand right@school.example');
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
