import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { signedInAs } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { followLetter } from './letters';
import type { RunningPembit } from './server';
import { setupCode, startPembit } from './server';

/**
 * From an empty folder to a course of two sections with different weeks. The expected dates are written by hand from a
 * calendar: in 2027, 11 January is a Monday, and ISO 8601 week 2 runs from 11 to 17 January.
 */
let pembit: RunningPembit;
let admin: Person;
let edda: Person;
beforeAll(async () => {
  // The stand-ins run beside, so that the letter with the first sign-in arrives somewhere; the demo's school does not.
  pembit = await startPembit({ PEMBIT_DEMO: '', PEMBIT_STANDINS: '1', PEMBIT_NOW: '2027-01-04T13:00:00Z' });
  [admin, edda] = await Promise.all([newPerson(), newPerson()]);
});
afterAll(async () => {
  await Promise.all([admin, edda].map((person) => person?.quit()));
  await pembit?.stop();
});

const PASSWORD = 'a long enough password';
const CLOSURES = [
  ['Founders’ day', '2027-01-20', '2027-01-20', ''],
  ['Reading week', '2027-02-15', '2027-02-19', ''],
  ['Regatta', '2027-01-28', '2027-01-28', '13'],
] as const;

/** Section A: Mondays and Wednesdays 9:00-10:15. Section B: Tuesdays and Thursdays 13:00-14:30, Fridays 9:00-9:50. */
const EXPECTED = {
  A: [
    '2027-01-11', '2027-01-13', '2027-01-18', '2027-01-25', '2027-01-27', '2027-02-01', '2027-02-03', '2027-02-08', '2027-02-10',
    '2027-02-22', '2027-02-24',
  ],
  B: [
    '2027-01-12', '2027-01-14', '2027-01-15', '2027-01-19', '2027-01-21', '2027-01-22', '2027-01-26', '2027-01-29', '2027-02-02',
    '2027-02-04', '2027-02-05', '2027-02-09', '2027-02-11', '2027-02-12', '2027-02-23', '2027-02-25', '2027-02-26',
  ],
}; // prettier-ignore

describe('an empty installation', () => {
  test('leads an administrator to a school with a term, closures, an instructor and a course', async () => {
    await admin.open(pembit.pembitUrl);
    await admin.sees('Set up Pembit');
    await admin.type('Your name', 'Astrid Holm');
    await admin.type('E-mail address', 'office@ropewalk.example');
    await admin.type('Password', 'short');
    await admin.type('Name of the school', 'Ropewalk School');
    await admin.type('Name', 'Winter 2027');
    await admin.type('First day', '2027-01-11');
    await admin.type('Last day', '2027-02-26');
    await admin.choose('Time zone', 'America/Halifax');
    await admin.click('button', 'Set up');
    await admin.sees('At least 12 characters.');
    await admin.type('Password', PASSWORD);
    await admin.click('button', 'Set up');
    await admin.sees('This is not the code that the server printed');
    await admin.type('Code from the server', setupCode(pembit));
    await admin.click('button', 'Set up');
    await admin.sees('Ropewalk School');
    await admin.sees('Mon 11 Jan – Fri 26 Feb · 7 teaching weeks · America/Halifax');

    for (const [name, firstDay, lastDay, closesAt] of CLOSURES) {
      await admin.open(`${pembit.pembitUrl}/school`);
      await admin.unfoldAt('section[aria-labelledby=closures]');
      await admin.typeInto('section[aria-labelledby=closures] form', 'Name', name);
      await admin.typeInto('section[aria-labelledby=closures] form', 'First day', firstDay);
      await admin.typeInto('section[aria-labelledby=closures] form', 'Last day', lastDay);
      if (closesAt) {
        await admin.click('field', 'close early');
        await admin.typeInto('section[aria-labelledby=closures] form', 'Closes at', closesAt);
      }
      await admin.click('button', 'See what it hits');
      await admin.sees('It hits nothing that is planned.');
      await admin.click('button', 'Close these days');
      await admin.sees(`Added the closure ${name}`);
    }

    await admin.unfoldAt('section[aria-labelledby=people]');
    await admin.typeInto('section[aria-labelledby=people] form', 'Name', 'Edda Quist');
    await admin.typeInto('section[aria-labelledby=people] form', 'E-mail address', 'edda@ropewalk.example');
    await admin.click('button', 'Add the person');
    await admin.sees('A letter with a sign-in link is on its way to Edda Quist.');

    await admin.open(`${pembit.pembitUrl}/school`);
    await admin.unfoldAt('section[aria-labelledby=courses]');
    await admin.typeInto('section[aria-labelledby=courses] form', 'Code', 'RW 101');
    await admin.typeInto('section[aria-labelledby=courses] form', 'Tag', 'rw');
    await admin.typeInto('section[aria-labelledby=courses] form', 'Title', 'Rope work');
    await admin.choose('Instructor', 'Edda Quist');
    await admin.typeInto(
      'section[aria-labelledby=courses] form',
      'Sections, one a line',
      'A: Mon Wed 9-10:15\nB: Tue Thu 1-2:30; Fri 9-9:50',
    );
    await admin.click('button', 'Add the course');
    await admin.sees('“Tue Thu 1-2:30” could be morning or afternoon.');
    await admin.typeInto(
      'section[aria-labelledby=courses] form',
      'Sections, one a line',
      'A: Mon Wed 9-10:15\nB: Tue Thu 13-14:30; Fri 9-9:50',
    );
    await admin.click('button', 'Add the course');
    await admin.sees('Edda Quist · 2 sections · 28 classes · 0 students');
  });

  test('brings the instructor in by letter, who pastes thirty students', async () => {
    const link = await followLetter(edda, pembit, 'edda@ropewalk.example');
    await edda.sees('Edda Quist, choose a password');
    await edda.type('Password', PASSWORD);
    await edda.click('button', 'Save and sign in');
    await edda.sees('What waits for you');

    await edda.open(`${pembit.pembitUrl}/courses/RW%20101`);
    const students = Array.from(
      { length: 30 },
      (_, i) => `Student ${i + 1},s${i + 1}@ropewalk.example,${i < 18 ? 'A' : 'B'}`,
    );
    await edda.type('List of students', [...students, 'Nobody,not an address,A'].join('\n'));
    await edda.click('button', 'Look at it first');
    await edda.sees('30 to add, 1 that cannot be read');
    await edda.sees('Line 31: “not an address” is not an e-mail address.');
    await edda.click('button', 'Add 30 students, leave 1 line out');
    await edda.sees('Added 30 students');
    await edda.sees('11 classes · 18 students');
    await edda.sees('17 classes · 12 students');
    // The link is spent.
    await admin.open(link);
    await admin.sees('This link does not hold any more');
  });

  test('dates every class as the calendar on the wall does', async () => {
    const api = await signedInAs(pembit.pembitUrl, { email: 'edda@ropewalk.example', password: PASSWORD });
    const records = (await (
      await api.call('GET', '/api/occurrences?from=2027-01-01&to=2027-12-31')
    ).json()) as { kind: string; title: string; start: string }[];
    const classes = records.filter((record) => record.kind === 'class');
    for (const section of ['A', 'B'] as const) {
      const dates = classes
        .filter((record) => record.title.endsWith(`, ${section}`))
        .map((record) => record.start.slice(0, 10));
      expect(dates).toEqual(EXPECTED[section]);
    }
    expect(classes.find((record) => record.start.startsWith('2027-01-12'))!.start).toBe(
      '2027-01-12T13:00:00-04:00',
    );
    expect(records.filter((record) => record.kind === 'closure')).toHaveLength(3);
  });

  test('shows what a late closure hits, and gives the classes back when it is removed', async () => {
    await edda.open(`${pembit.pembitUrl}/courses/RW%20101`);
    await edda.unfoldAt('section[aria-labelledby=closures]');
    await edda.typeInto('section[aria-labelledby=closures] form', 'Name', 'Storm');
    await edda.typeInto('section[aria-labelledby=closures] form', 'First day', '2027-02-22');
    await edda.typeInto('section[aria-labelledby=closures] form', 'Last day', '2027-02-23');
    await edda.click('button', 'See what it hits');
    await edda.sees('RW 2 classes fall away');
    await edda.sees('Class 10, A, Mon 22 Feb');
    await edda.click('button', 'Close these days');
    await edda.sees('10 classes · 18 students');
    await edda.click('button', 'Undo');
    await edda.sees('11 classes · 18 students');
  });

  test('moves and cancels a single class', async () => {
    await edda.open(`${pembit.pembitUrl}/courses/RW%20101`);
    await edda.clickOn('section[aria-label="Section A"] button[aria-label="Change class 2"]');
    await edda.typeInto('[role=group][aria-label="Change class 2"]', 'Day', '2027-02-17');
    await edda.click('button', 'Move the class');
    await edda.sees('There are no classes then: Reading week.');
    await edda.typeInto('[role=group][aria-label="Change class 2"]', 'Day', '2027-01-14');
    await edda.click('button', 'Move the class');
    await edda.sees('2 Thu 14 Jan, 09:00 moved');
    await edda.clickOn('section[aria-label="Section A"] button[aria-label="Change class 3"]');
    await edda.typeInto(
      '[role=group][aria-label="Change class 3"]',
      'Reason (students read it)',
      'The loft is flooded',
    );
    await edda.click('button', 'Cancel the class');
    await edda.sees('The loft is flooded');
  });
});
