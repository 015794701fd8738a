import { afterEach, beforeEach, expect, test } from 'vitest';
import type { CourseId, HistoryId, PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { loadFrame } from '@/data/plan/loadPlan';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { undoChange } from '../history/undoChange';
import type { SignedIn } from '../session/session';
import { previewTable, takeTable } from './bringTable';

let school: School;
let office: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  const { id } = school.stranger.person;
  const by = { act: 'test', summary: '', actor: null, nowMs: 0 };
  await recordChange(school.pembit.queue, by, (change) => change.update('people', id, { is_admin: 1 }));
  office = await school.signedIn(id);
});
afterEach(() => school.close());

const fieldsOf = (outcome: Outcome<unknown>) =>
  outcome.ok ? [] : (outcome.fields ?? []).map(({ field }) => field);
const table = (...lines: string[]) => lines.join('\r\n');
const take = (text: string, more = {}) => takeTable(school.pembit, office, text, more);
const look = async (text: string) => valueOf(await previewTable(school.pembit, office, text));
const coursesOf = () => select<{ id: CourseId; code: string; color: string }>(school.pembit, 'SELECT id, code, color FROM courses ORDER BY code'); // prettier-ignore

const PEOPLE = table('Name,E-mail', 'Edda Tern,edda@s.example', 'Wim Dunlin,wim@s.example');
const COURSES = table(
  'Course,Title,Tag,Colour,Instructor,Section,Week',
  'RG 110,Rigging,RG,,edda@s.example,A,Mon 9-10:30',
  'RG 110,,,,,B,Tue 9-10:30',
  'SB 300,Sailmaking,SB,,wim@s.example,A,',
);
const STAFF = table('Course,E-mail,Role', 'RG 110,wim@s.example,assistant');

test('people, courses with sections and staff are brought, each in one act; the same again adds nothing', async () => {
  expect(valueOf(await take(PEOPLE))).toEqual({ added: 2, same: 0 });
  const letters = await select<{ recipient: string }>(school.pembit, "SELECT recipient FROM outbox WHERE recipient LIKE '%@s.example' ORDER BY recipient"); // prettier-ignore
  expect(letters.map((letter) => letter.recipient)).toEqual(['edda@s.example', 'wim@s.example']);
  expect(valueOf(await take(COURSES))).toEqual({ added: 3, same: 0 });
  expect(valueOf(await take(STAFF))).toEqual({ added: 1, same: 0 });

  const made = (await coursesOf()).filter(({ code }) => code === 'RG 110' || code === 'SB 300');
  expect(new Set((await coursesOf()).map(({ color }) => color)).size).toBe((await coursesOf()).length);
  const { courses } = await loadFrame(school.pembit, made.map(({ id }) => id)); // prettier-ignore
  const said = courses.map(({ title, sections }) => [title, ...sections.map(({ name, meetings }) => `${name} ${meetings.length > 10}`)]); // prettier-ignore
  expect(said.sort()).toEqual([
    ['Rigging', 'A true', 'B true'],
    ['Sailmaking', 'A false'],
  ]);
  const staff = await select<{ line: string }>(
    school.pembit,
    `SELECT courses.code || ' ' || people.name || ' ' || staff.role AS line FROM staff JOIN people ON people.id = person_id
     JOIN courses ON courses.id = course_id WHERE email LIKE '%@s.example' ORDER BY line`,
  );
  expect(staff.map(({ line }) => line)).toEqual([
    'RG 110 Edda Tern instructor',
    'RG 110 Wim Dunlin assistant',
    'SB 300 Wim Dunlin instructor',
  ]);

  for (const text of [PEOPLE, COURSES, STAFF]) {
    expect((await look(text)).fresh).toEqual([]);
    expect(valueOf(await take(text))).toMatchObject({ added: 0 });
  }
  const more = table('Course,Section,Week', 'RG 110,B,Tue 9-10:30', 'RG 110,C,Wed 9-10:30');
  expect(await look(more)).toMatchObject({ same: 1, fresh: [{ line: 3, words: 'RG 110, section C' }] });
});

test('one undo takes a table of courses back', async () => {
  valueOf(await take(PEOPLE));
  const before = await coursesOf();
  const taken = await take(COURSES);
  valueOf(await undoChange(school.pembit, office, (taken as unknown as { history: HistoryId }).history));
  expect(await coursesOf()).toEqual(before);
});

test('a line at fault is named, and nothing of the table is there; without that line the others are', async () => {
  const text = table('Name,E-mail', 'Edda Tern,edda@s.example', 'Nobody,nobody', 'Edda,edda@s.example');
  const people = () => select<{ id: PersonId }>(school.pembit, "SELECT id FROM people WHERE email LIKE '%@s.example'"); // prettier-ignore
  expect((await look(text)).faults).toEqual([
    { line: 3, message: 'Type a whole e-mail address.' },
    { line: 4, message: 'The same as line 2.' },
  ]);
  expect(fieldsOf(await take(text))).toEqual(['line 3', 'line 4']);
  expect(await people()).toEqual([]);
  expect(valueOf(await take(text, { leaveOut: true }))).toEqual({ added: 1, same: 0 });
  expect(await people()).toHaveLength(1);
});

test('what a course or its staff lacks is said with its line', async () => {
  valueOf(await take(PEOPLE));
  const student = school.students[0]!.person.email;
  const [code] = (await coursesOf()).filter(({ id }) => id === school.course).map((one) => one.code);
  const messages = async (...lines: string[]) =>
    (await look(table(...lines))).faults.map(({ line, message }) => `${line}: ${message}`);
  expect(
    await messages(
      'Term,Course,Title,Tag,Instructor,Section,Week',
      'Never,RG 1,Rigging,RG,edda@s.example,A,',
      ',RG 2,,RG,edda@s.example,A,',
      ',RG 3,Rigging,RG,,A,',
      ',RG 4,Rigging,,edda@s.example,A,',
      ',RG 5,Rigging,RG,ghost@s.example,A,',
      ',RG 6,Rigging,RG,edda@s.example,A,',
      ',RG 6,Ropes,RG,edda@s.example,B,',
    ),
  ).toEqual([
    '2: There is no term “Never”.',
    '3: RG 2 is new: give it a title.',
    '4: RG 3 is new: name its instructor by their address.',
    '5: RG 4 is new: give it a tag of two or three letters.',
    '6: Nobody here has the address ghost@s.example. Bring the people first.',
    '8: It says something else of RG 6 than line 7.',
  ]);
  const own = school.instructor.person.email;
  const wrong = await messages(
    'Course,E-mail,Role',
    'ZZ 9,edda@s.example,assistant',
    `${code},ghost@s.example,assistant`,
    `${code},${student},assistant`,
    `${code},${own},assistant`,
  );
  expect(wrong.map((one) => one.slice(0, 2))).toEqual(['2:', '3:', '4:', '5:']);
});

test('it is the administrator’s alone', async () => {
  expect(await previewTable(school.pembit, school.instructor, PEOPLE)).toMatchObject({ reason: 'notYours' });
  expect(await takeTable(school.pembit, school.instructor, PEOPLE)).toMatchObject({ reason: 'notYours' });
});
