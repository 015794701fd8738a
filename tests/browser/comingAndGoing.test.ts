import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
import { followLetter } from './letters';

/** Somebody joins in week 6, is given more time, and leaves; then the sections of the course are merged. */
const base = inject('pembitUrl');
const COURSE = `${base}/courses/HL%20210`;
let maren: Person;
let fen: Person;

beforeAll(async () => {
  [maren, fen] = await Promise.all([newPerson(), newPerson()]);
  await maren.open(`${base}/sign-in`);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
});
afterAll(async () => {
  for (const person of [maren, fen]) await person.quit();
});

test('who joins in week 6 reads what went before, is given more time, and reads so after leaving', async () => {
  await maren.open(COURSE);
  await maren.type('List of students', 'Fen Osprey, fen@kittiwake.example, A');
  await maren.click('button', 'Look at it first');
  await maren.click('button', 'Add 1 student');
  await maren.sees('Added 1 student');

  await fen.size(PHONE);
  await followLetter(fen, { standinsUrl: inject('standinsUrl') }, 'fen@kittiwake.example');
  await fen.type('Password', 'tide and lantern');
  await fen.click('button', 'Save and sign in');
  await fen.sees('You came to HL 210 Hull lofting on Tue 13 Oct. What went before:');
  await fen.click('link', /^\d+ classes, \d+ pieces? of work still open$/);
  await fen.sees('HL 210 Hull lofting: before you came');
  await fen.sees('Half-breadth plan');
  await fen.click('link', /^week 1, Tue 8 Sept/);
  await fen.sees('The loft floor');

  // Seven days more on what was set before, for her alone.
  await maren.open(COURSE);
  await maren.sees('Came after the term began');
  await maren.click('button', 'Give 1 student more time');
  await maren.sees('Gave 1 student more time on');
  await maren.sees('Fen Osprey, since Tue 13 Oct: no open work from before');
  await fen.open(`${base}/next`);
  await fen.sees('Half-breadth plan: Thu 15 Oct, 17:00 → Thu 22 Oct, 17:00');

  await maren.type('Find a student', 'osprey');
  await maren.click('field', /^Fen Osprey/);
  await maren.click('button', 'Take off the roster');
  await maren.sees('Holds no times in this course.');
  await maren.click('button', 'Take 1 student off the roster');
  await maren.sees('Took Fen Osprey off the roster');
  await fen.open(`${base}/next`);
  await fen.sees('You are no longer in HL 210 Hull lofting, since Tue 13 Oct.');
});

test('students are chosen and moved together, and a section is merged once what that does was seen; one undo each', async () => {
  await maren.size(DESKTOP);
  await maren.open(COURSE);
  const api = await signedIn(base, 'maren@kittiwake.example');
  const sections = async () => {
    const { items } = (await (await api.call('GET', '/api/courses?limit=20')).json()) as { items: { code: string; sections: string[] }[] }; // prettier-ignore
    return items.find(({ code }) => code === 'HL 210')!.sections.length;
  };
  await maren.click('button', 'Choose all shown');
  await maren.click('button', 'Move to B');
  await maren.click('button', /^Move \d+ students to B$/);
  await maren.sees(/Moved \d+ students to section B/);
  await maren.click('button', 'Undo');
  await maren.sees(/^Undone: Moved \d+ students to section B|Undone/);

  await maren.unfold('Merge this section into another');
  await maren.click('button', 'Show what that does');
  await maren.sees(/\d+ students go to section B\./);
  await maren.sees(/\d+ classes of section A are gone\./);
  await maren.click('button', 'Merge A into B');
  await maren.sees('Merged section A into B');
  expect(await sections()).toBe(1);
  await maren.click('button', 'Undo');
  await maren.sees(/Undone/);
  expect(await sections()).toBe(2);
});
