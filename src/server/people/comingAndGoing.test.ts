import ICAL from 'ical.js';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { complaintsAbout } from '../../../tests/support/strictIcs';
import { entryInput } from '@/core/entries/entryInput';
import { patternInput, sectionInput } from '@/core/frame/frameInput';
import type { PersonId } from '@/core/ids';
import { select } from '@/data/database';
import { addSection, changeWeek } from '../frame/sections';
import { undoChange } from '../history/undoChange';
import { planEntry } from '../entries/planEntry';
import { createOutletAnswerer } from '../outlets/answerOutlet';
import { outletsFor } from '../outlets/publish';
import { planSeenBy } from '../plan/planSeenBy';
import { extendForLate, lateComersIn, missedOf } from './lateComers';
import { leftBy } from './left';
import { moveStudents } from './membership';
import { addStudents, rosterOf, sendLettersAgain } from './roster';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11' }))); // prettier-ignore
});
afterEach(() => school.close());

const emailed = async (email: string): Promise<PersonId> =>
  (await select<{ id: PersonId }>(school.pembit, 'SELECT id FROM people WHERE email = :email', { email }))[0]!
    .id;

const joins = async (name: string): Promise<PersonId> => {
  valueOf(
    await addStudents(school.pembit, school.instructor, school.course, `${name}, ${name}@s.example, A`),
  );
  return emailed(`${name.toLowerCase()}@s.example`);
};

test('whoever comes in week 6 reads what went before; the others, and whoever came before classes, nothing', async () => {
  const { pembit, instructor, course } = school;
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'Open', setOn: '2026-10-06' })));
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'Over', setOn: '2026-09-10', due: '2026-10-01T17:00' }))); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'New', setOn: '2026-10-20', due: '2026-11-03T17:00' }))); // prettier-ignore
  const fen = await school.signedIn(await joins('Fen'));
  const [missed] = await missedOf(pembit, fen);
  expect(missed).toMatchObject({ course });
  expect(missed!.came.toString()).toBe('2026-10-13');
  // Tuesdays and Thursdays from 8 September to 8 October.
  expect(missed!.classes).toHaveLength(10);
  expect(missed!.work.map(({ title }) => title)).toEqual(['Open']);
  expect(await missedOf(pembit, school.students[0]!)).toEqual([]);
  school.later(22 * 86_400_000);
  expect(await missedOf(pembit, fen)).toEqual([]);
});

test('a roster that is brought in week 6 makes nobody a late comer', async () => {
  const { pembit, instructor, course, students } = school;
  const people = students.map(({ person }) => person.id);
  valueOf(await moveStudents(pembit, instructor, course, people, { kind: 'leave' }));
  const list = 'Fen, fen@s.example, A\nIves, ives@s.example, A';
  valueOf(await addStudents(pembit, instructor, course, list));
  expect(await lateComersIn(pembit, instructor, course)).toEqual([]);
  school.later(2 * 86_400_000);
  await joins('Olin');
  expect((await lateComersIn(pembit, instructor, course)).map(({ name }) => name)).toEqual(['Olin']);
});

test('those who came late are given more time in one act, for the work from before alone; one undo', async () => {
  const { pembit, instructor, course } = school;
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'Open', setOn: '2026-10-06' })));
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'New', setOn: '2026-10-20', due: '2026-11-03T17:00' }))); // prettier-ignore
  const people = [await joins('Fen'), await joins('Ives')];
  expect((await lateComersIn(pembit, instructor, course)).map(({ name, work }) => [name, work.length])).toEqual([['Fen', 1], ['Ives', 1]]); // prettier-ignore
  expect(await lateComersIn(pembit, school.students[0]!, course)).toEqual([]);
  const given = await extendForLate(pembit, instructor, course, { people, days: 7 });
  expect(valueOf(given)).toEqual({ work: 1, people: 2 });
  const dueOf = async (person: PersonId) => {
    const { entries } = await planSeenBy(pembit, (await school.signedIn(person)).viewer);
    return entries.flatMap((e) => (e.kind === 'assignment' ? [`${e.title} ${String('wall' in e.due ? e.due.wall : e.due)}`] : [])).sort(); // prettier-ignore
  };
  const later = ['New 2026-11-03T17:00:00', 'Open 2026-10-29T17:00:00'];
  for (const person of people) expect(await dueOf(person)).toEqual(later);
  expect(await dueOf(school.students[0]!.person.id)).toEqual(['New 2026-11-03T17:00:00', 'Open 2026-10-22T17:00:00']); // prettier-ignore
  // Once is enough: who has a date of their own is not offered another.
  expect(await extendForLate(pembit, instructor, course, { people, days: 7 })).toMatchObject({ ok: false, fields: [{ field: 'people' }] }); // prettier-ignore
  valueOf(await undoChange(pembit, instructor, historyOf(given)));
  expect(await dueOf(people[0]!)).toEqual(['New 2026-11-03T17:00:00', 'Open 2026-10-22T17:00:00']);
  expect(await extendForLate(pembit, school.stranger, course, { people, days: 7 })).toMatchObject({ reason: 'notFound' }); // prettier-ignore
});

test('students go to another section, or off the roster, together; one undo brings all of them back', async () => {
  const { pembit, instructor, course, students } = school;
  valueOf(await addSection(pembit, instructor, course, sectionInput.parse({ name: 'B', week: '' })));
  const [b] = await select<{ id: string }>(pembit, "SELECT id FROM sections WHERE name = 'B'");
  const people = students.slice(0, 2).map(({ person }) => person.id);
  const sections = async () => (await rosterOf(pembit, course)).map(({ section }) => section);
  const moved = await moveStudents(pembit, instructor, course, people, {
    kind: 'section',
    section: b!.id as never,
  });
  expect(await sections()).toEqual(['B', 'B', 'A']);
  valueOf(await undoChange(pembit, instructor, historyOf(moved)));
  const gone = await moveStudents(pembit, instructor, course, people, { kind: 'leave' });
  expect(await sections()).toEqual(['A']);
  expect(await leftBy(pembit, people[0]!)).toMatchObject([{ course, code: 'HL 210' }]);
  valueOf(await undoChange(pembit, instructor, historyOf(gone)));
  expect(await sections()).toEqual(['A', 'A', 'A']);
  expect(await leftBy(pembit, people[0]!)).toEqual([]);
  // All or none: one of them is not on the roster.
  expect(await moveStudents(pembit, instructor, course, [people[0]!, school.stranger.person.id], { kind: 'leave' })).toMatchObject({ reason: 'notFound' }); // prettier-ignore
});

test('whoever leaves reads so for fourteen days, and their feed calls off what it held, nothing planned since', async () => {
  const { pembit, instructor, course } = school;
  const student = school.students[0]!;
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'Held' })));
  valueOf(await planEntry(pembit, student, entryInput.parse({ kind: 'note', title: 'Mine', on: '2026-10-20' }))); // prettier-ignore
  const answer = createOutletAnswerer(pembit);
  const own = (await outletsFor(pembit, student)).find(({ audience }) => audience === 'personal')!;
  const feed = async () => {
    const { body } = await answer({ method: 'GET', path: new URL(own.url).pathname, query: '', headers: {} });
    const text = Buffer.from(body as Uint8Array);
    expect(complaintsAbout(text)).toEqual([]);
    return new ICAL.Component(ICAL.parse(text.toString()) as unknown[])
      .getAllSubcomponents('vevent')
      .map(
        (event) =>
          `${String(event.getFirstPropertyValue('summary'))} ${String(event.getFirstPropertyValue('status'))}`,
      ) // prettier-ignore
      .filter((line) => /Held|Mine|Since/.test(line))
      .sort();
  };
  expect(await feed()).toEqual(['HL: Held (due) CONFIRMED', 'Mine null']);
  valueOf(await moveStudents(pembit, instructor, course, [student.person.id], { kind: 'leave' }));
  school.later(60_000);
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'Since' })));
  expect(await feed()).toEqual(['HL: Held (due) CANCELLED', 'Mine null']);
  school.later(15 * 86_400_000);
  expect(await feed()).toEqual(['Mine null']);
  expect(await leftBy(pembit, student.person.id)).toEqual([]);
});

test('the letter is sent again to those who have not come, and to nobody else', async () => {
  const { pembit, instructor, course, students } = school;
  const fen = await joins('Fen');
  const letters = async () => (await select(pembit, 'SELECT id FROM outbox')).length;
  const before = await letters();
  await pembit.queue.write((writer) =>
    writer.sequelize.query('UPDATE people SET came_at = 1 WHERE id = :id', {
      replacements: { id: students[0]!.person.id },
      transaction: writer.transaction,
    }),
  );
  const people = [fen, students[0]!.person.id];
  expect(valueOf(await sendLettersAgain(pembit, instructor, course, people))).toEqual({ sent: 1 });
  expect(await letters()).toBe(before + 1);
  expect(await sendLettersAgain(pembit, instructor, course, [students[0]!.person.id])).toMatchObject({ reason: 'badRequest' }); // prettier-ignore
  expect(await sendLettersAgain(pembit, school.stranger, course, people)).toMatchObject({
    reason: 'notFound',
  });
});
