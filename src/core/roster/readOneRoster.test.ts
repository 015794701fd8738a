import { expect, test } from 'vitest';
import { readOneRoster } from './readOneRoster';

const CLASSES =
  'sourcedId,status,title,classCode\nc1,active,Hull lofting A,HL 210-A\nc2,active,Hull lofting B,HL 210-B\nc3,tobedeleted,Old,HL 1';
const USERS = [
  'sourcedId,status,enabledUser,givenName,familyName,preferredGivenName,email',
  'u1,active,true,Ivo,Strand,,ivo@kittiwake.example',
  'u2,active,true,Annika,Loft,Nika,NIKA@kittiwake.example',
  'u3,active,false,Gone,Away,,gone@kittiwake.example',
  'u4,active,true,No,Address,,',
  'u5,active,true,"Tern, the elder",Ropewalk,,tern@kittiwake.example',
  't1,active,true,Maren,Teach,,',
].join('\n');
const enrolled = (...rows: string[]) =>
  ['sourcedId,status,classSourcedId,userSourcedId,role', ...rows].join('\r\n');
const read = (enrollments: string, changes: object = {}) =>
  readOneRoster({ 'classes.csv': CLASSES, 'users.csv': USERS, 'enrollments.csv': enrollments, ...changes });

test('students stand in their classes, by preferred name, in small letters; what is to be deleted is gone', () => {
  const { classes, faults } = read(
    enrolled('e1,active,c1,u1,student', 'e2,active,c2,u2,student', 'e3,active,c1,t1,teacher', 'e4,tobedeleted,c2,u1,student', 'e5,active,c1,u5,student'), // prettier-ignore
  );
  expect(classes.map((c) => [c.sourcedId, c.code, c.students.map((s) => `${s.name} ${s.email}`)])).toEqual([
    ['c1', 'HL 210-A', ['Ivo Strand ivo@kittiwake.example', 'Tern, the elder Ropewalk tern@kittiwake.example']], // prettier-ignore
    ['c2', 'HL 210-B', ['Nika Loft nika@kittiwake.example']],
  ]);
  expect(faults).toEqual([]);
});

test('who may not sign in is left out; who has no address is named once, and only where they take a class', () => {
  const { classes, faults } = read(
    enrolled('e1,active,c1,u3,student', 'e2,active,c1,u4,student', 'e3,active,c2,u4,student', 'e4,active,c1,nobody,student'), // prettier-ignore
  );
  expect(classes.flatMap((c) => c.students)).toEqual([]);
  expect(faults).toEqual([
    { table: 'users.csv', line: 5, message: '“” is not an e-mail address.' },
    { table: 'enrollments.csv', line: 5, message: 'There is no user “nobody”.' },
  ]);
});

test('a table without a column that is needed is named, with a byte order mark or without', () => {
  const users = USERS.replace('email', 'mail');
  expect(read(enrolled('e1,active,c1,u1,student'), { 'users.csv': users }).faults).toContainEqual({
    table: 'users.csv',
    line: 1,
    message: 'The column email is missing.',
  });
  expect(read(`\uFEFF${enrolled('e1,active,c1,u1,student')}`).classes[0]!.students).toHaveLength(1);
});
