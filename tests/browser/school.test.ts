import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Person } from './browser';
import { PHONE, newPerson } from './browser';
import { followLetter } from './letters';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** The frame of a running school, changed by its administrator and its instructors, on a demo school of its own. */
let pembit: RunningPembit;
let office: Person;
let maren: Person;
let stranger: Person;
const at = (path: string) => pembit.pembitUrl + path;
beforeAll(async () => {
  pembit = await startPembit();
  [office, maren, stranger] = await Promise.all([newPerson(), newPerson(), newPerson(PHONE)]);
  for (const [person, name] of [[office, 'School office'], [maren, 'Maren Toft']] as const) {
    await person.open(at('/sign-in'));
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
}); // prettier-ignore
afterAll(async () => {
  await Promise.all([office, maren, stranger].map((person) => person?.quit()));
  await pembit?.stop();
});
const unfold = (person: Person, section: string, n = 1) =>
  person.unfoldAt(`section[aria-labelledby=${section}] details:nth-of-type(${n})`);

describe('the administrator', () => {
  test('sees what another zone changes before it is saved, and takes it back', async () => {
    await office.open(at('/school'));
    await unfold(office, 'terms');
    await office.typeInto('section[aria-labelledby=terms] form', 'Time zone', 'Europe/Oslo');
    await office.click('button', 'See what it changes');
    await office.sees(/entries and \d+ office-hour times keep what the clock shows/);
    await office.click('button', 'Change the term');
    await office.sees('15 teaching weeks · Europe/Oslo');
    await office.click('button', 'Undo');
    await office.sees('15 teaching weeks · America/Halifax');
  });

  test('adds a date for everyone, which stands in every course', async () => {
    await unfold(office, 'site-dates');
    await office.typeInto('section[aria-labelledby=site-dates] form', 'Name', 'Harbour day');
    await office.typeInto('section[aria-labelledby=site-dates] form', 'First day', '2026-11-19');
    await office.click('button', 'Add it');
    await office.sees('Added Harbour day for everyone');
    await maren.open(at('/day/2026-11-19?course=NV%20140'));
    await maren.sees('Harbour day');
  });

  test('brings people and a course as tables: what is wrong is named by its line, and the rest is taken', async () => {
    await office.open(at('/school'));
    await office.click('link', 'Bring people, courses, sections or staff as a table');
    await office.type('The table', 'Name,E-mail\nEdda Tern,edda@kittiwake.example\nNobody,nobody');
    await office.click('button', 'Look at it');
    await office.sees('1 line is new. 1 cannot be taken.');
    await office.sees('Line 3: Type a whole e-mail address.');
    await office.click('button', 'Add 1 line, leave 1 out');
    await office.sees('Added 1 line of a table');
    const course =
      'Course,Title,Tag,Instructor,Section,Week\nRG 110,Rigging,RG,edda@kittiwake.example,A,Mon 9-10:30';
    await office.type('The table', course);
    await office.click('button', 'Look at it');
    await office.sees('Line 2: RG 110 Rigging, section A');
    await office.click('button', 'Add 1 line');
    // The words of the table before still stand there: what is taken leaves the field empty.
    await office.driver.wait(
      async () => (await (await office.find('field', 'The table')).getAttribute('value')) === '',
      60_000,
    );
    await office.type('The table', course);
    await office.click('button', 'Look at it');
    await office.sees('Nothing in it is new. 1 is here already.');
    await office.open(at('/school'));
    await office.sees('RG 110 Rigging');
  });

  test('sees a letter that is refused, and sends it again once the mailbox accepts it', async () => {
    await stranger.open(`${pembit.standinsUrl}/mailbox`);
    await stranger.type(/Refuse mail to this address/, 'nils@kittiwake.example');
    await stranger.click('button', 'Refuse');
    await office.open(at('/school'));
    await unfold(office, 'people');
    await office.typeInto('section[aria-labelledby=people] form', 'Name', 'Nils Oarlock');
    await office.typeInto('section[aria-labelledby=people] form', 'E-mail address', 'nils@kittiwake.example');
    await office.click('button', 'Add the person');
    await office.sees('A letter with a sign-in link is on its way to Nils Oarlock.');
    await expect
      .poll(async () => {
        await office.open(at('/school'));
        return office.text();
      }, { timeout: 20_000 })
      .toContain('waiting after 1 attempts: The mailbox answered 550.');
    await stranger.click('button', 'Accept again');
    await office.click('button', 'Send again to nils@kittiwake.example');
    await expect
      .poll(async () => {
        await stranger.open(`${pembit.standinsUrl}/mailbox`);
        return stranger.text();
      }, { timeout: 20_000 })
      .toContain('delivered after 2 attempts');
  }); // prettier-ignore

  test('erases somebody’s data after typing the address out', async () => {
    await office.open(at('/school'));
    await office.type('Find somebody', 'nils');
    await office.click('button', 'Erase the data of Nils Oarlock');
    await office.sees('It cannot be undone.');
    await office.type('Type their e-mail address to go on', 'maren@kittiwake.example');
    await office.click('button', 'Erase for good');
    await office.sees('This is not the address of this person.');
    await office.type('Type their e-mail address to go on', 'nils@kittiwake.example');
    await office.click('button', 'Erase for good');
    await office.sees('The data of Nils Oarlock are gone');
  });
});

describe('an instructor', () => {
  test('opens joining; a stranger on a phone joins by letter', async () => {
    await maren.open(at('/courses/NV%20140'));
    await maren.click('button', 'Open joining');
    const address = await (await maren.find('field', 'Joining address')).getAttribute('value');
    await stranger.open(address!);
    await stranger.sees('Join NV 140 Coastal navigation');
    await stranger.type('Your name', 'Tilda Sounding');
    await stranger.type('Your e-mail address', 'tilda@kittiwake.example');
    await stranger.click('button', 'Join');
    await stranger.sees('Look into your mail');
    await maren.open(at('/courses/NV%20140'));
    await maren.doesNotSee('Tilda Sounding');
    await followLetter(stranger, pembit, 'tilda@kittiwake.example');
    await stranger.type('Password', 'bilge keel and garboard');
    await stranger.click('button', 'Save and sign in');
    await stranger.sees('Night sail to the outer buoy');
    await maren.open(at('/courses/NV%20140'));
    await maren.sees('Tilda Sounding');
    await maren.click('button', 'Close joining');
    await maren.sees('Closed the joining address');
    await stranger.open(address!);
    await stranger.sees('Nobody can join here any more');
  });

  test('moves a student to another section after seeing what they would give back', async () => {
    await maren.open(at('/courses/HL%20210'));
    await maren.type('Find a student', 'ivo');
    await maren.click('field', /^Ivo Saltmarsh/);
    await maren.click('button', 'Move to B');
    await maren.sees('Holds no times in this course.');
    await maren.click('button', 'Move 1 student to B');
    await maren.sees('Moved Ivo Saltmarsh to section B');
    await maren.click('button', 'Undo');
    await maren.sees('Undone.');
  });

  test('makes a group, writes themes, and sees what a late closure hit, with a choice for each', async () => {
    await maren.click('button', 'Add a group');
    await maren.type('Name of the group', 'Retake');
    await maren.click('field', 'Oda Tarn');
    await maren.click('button', 'Save the group');
    await maren.sees('Saved group Retake');

    await unfold(maren, 'closures');
    await maren.typeInto('section[aria-labelledby=closures] form', 'Name', 'Storm');
    await maren.typeInto('section[aria-labelledby=closures] form', 'First day', '2026-10-15');
    await maren.click('button', 'See what it hits');
    await maren.sees('2 classes fall away, 1 plan loses its class, 1 piece of work is due then');
    await maren.click('field', /^Slide the plans that lose their class/);
    await maren.click('button', 'Close these days');
    await maren.sees('Hit by closures');
    await maren.sees('Half-breadth plan, Thu 15 Oct, 17:00');
    await maren.click('button', 'Due Fri 16 Oct instead');
    await maren.sees('Moved Half-breadth plan');
    await maren.sees('Bevel board lost its class in section A');
    await maren.clickOn('section[aria-labelledby=hits] button');
    await maren.sees(/Moved \d+ class plans, Bevel board first/);
  });

  test('archives the course: it is out of the way, readable, and comes back', async () => {
    await maren.open(at('/courses/NV%20140'));
    await maren.click('button', 'Archive the course');
    await maren.sees('Archived NV 140');
    await maren.open(at('/term'));
    await maren.doesNotSee('Tide-table quiz');
    await maren.open(at('/courses'));
    await maren.sees('Archived courses');
    await maren.open(at('/courses/NV%20140'));
    await maren.click('button', 'Delete the course…');
    await maren.sees(
      /This takes away \d+ entries, 1 sign-up sheet, \d+ taken times, the roster of 27 students/,
    );
    await maren.click('button', 'Leave as it is');
    await maren.click('button', 'Restore the course');
    await maren.sees('Restored NV 140');
  });
});
