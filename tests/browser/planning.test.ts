import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { PHONE, newPerson } from './browser';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Planning a term as an instructor does, by mouse and by keyboard, on a demo school of its own. */
let pembit: RunningPembit;
let maren: Person;
let tobias: Person;
let ivo: Person;
beforeAll(async () => {
  pembit = await startPembit();
  [maren, tobias, ivo] = await Promise.all([newPerson(), newPerson(), newPerson(PHONE)]);
  for (const [person, name] of [[maren, 'Maren Toft'], [tobias, 'Tobias Aldous'], [ivo, 'Ivo Saltmarsh']] as const) {
    await person.open(`${pembit.pembitUrl}/sign-in`);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
}); // prettier-ignore
const { counted, print } = effortTable();
afterAll(async () => {
  print();
  await Promise.all([maren, tobias, ivo].map((person) => person?.quit()));
  await pembit?.stop();
});

const day = (person: Person, date: string) => person.element(`[data-date="${date}"]`);

describe('on the term grid', () => {
  test('one event goes to three courses, and whoever is in two of them sees it once', async () => {
    await tobias.open(`${pembit.pembitUrl}/term`);
    await counted(tobias, 'one event to three courses', 5, async () => {
      await tobias.click('cell', /^week 8, Wed 28 Oct/);
      await tobias.type('Title', 'Open harbour');
      await tobias.click('field', 'All 3 courses');
      await tobias.press(Key.ENTER);
      await tobias.sees('Added Open harbour');
    });
    for (const who of ['38 students in HL', '26 students in NV', '27 students in SR']) await tobias.sees(who);
    await ivo.open(`${pembit.pembitUrl}/day/2026-10-28`);
    const text = await ivo.text();
    expect(text.match(/Open harbour/g)).toHaveLength(1);
    await ivo.sees('HL NV SR Open harbour');
  });

  test('a due date is dragged by a day with all that hangs on it, undone, and told to those who had seen it', async () => {
    await ivo.open(`${pembit.pembitUrl}/next`);
    await ivo.sees('Half-breadth plan');
    await maren.open(`${pembit.pembitUrl}/term`);
    await counted(maren, 'move a due date by a day, with all that hangs on it', 2, async () => {
      await maren.drag(
        await maren.find('button', /Due, by 17:00, Half-breadth plan/),
        await day(maren, '2026-10-16'),
      );
      await maren.sees('Moved Half-breadth plan to week 6, Fri 16 Oct');
      await maren.click('button', 'Move its other dates too');
    });
    // The message of the first move gives way to that of the second.
    await maren.doesNotSee('Move its other dates too');
    await maren.click('button', 'Tell 1 student');
    await maren.sees('1 reads it in the letter of the day');
    await maren.open(`${pembit.pembitUrl}/everything`);
    await maren.type('Search', 'half-breadth set');
    await maren.sees(/Tue 6 Oct HL Set set: Half-breadth plan/);
    await ivo.open(`${pembit.pembitUrl}/next`);
    await ivo.sees(/Friday 16 October.*Half-breadth plan/);
  });

  test('marks move by keyboard, and days dragged over begin an event of several days', async () => {
    await maren.open(`${pembit.pembitUrl}/term`);
    const mark = await maren.find('button', /Event, 12:15, Half-model team meets/);
    await maren.driver.executeScript('arguments[0].focus()', mark);
    await maren.chord(Key.ALT, Key.ARROW_RIGHT);
    await maren.sees('Moved Half-model team meets to week 7, Fri 23 Oct');
    await maren.click('button', 'Undo');
    await maren.sees('Undone.');
    await maren.drag(await day(maren, '2026-11-10'), await day(maren, '2026-11-12'), { x: 30, y: 10 });
    await maren.type('Title', 'Repairs in the loft');
    await maren.click('button', 'Save');
    await maren.sees('Choose at least one course.');
    await maren.click('field', 'HL Hull lofting');
    await maren.click('button', /^Save for/);
    await maren.sees('week 10, Tue 10 Nov – Thu 12 Nov');
  });

  test('a full day opens in place and stays open; marks chosen on two days move by the same distance', async () => {
    const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
    const audience = [{ course: demoId('HL 210') }];
    const add = (title: string, start: string) =>
      api.call('POST', '/api/entries', { kind: 'event', title, start, audience });
    await add('Oakum', '2026-11-30T11:00');
    for (const hour of ['12', '13', '14', '15']) await add(`Knot ${hour}`, `2026-12-02T${hour}:00`);
    await maren.open(`${pembit.pembitUrl}/term`);
    await maren.click('button', /^\d more on week 13, Wed 2 Dec: show all$/);
    await maren.find('button', /Knot 15/);
    await maren.driver.navigate().refresh();
    const [oakum, knot] = [await maren.find('button', /Oakum/), await maren.find('button', /Knot 15/)];
    const actions = maren.driver.actions().keyDown(Key.CONTROL).click(oakum).click(knot);
    await actions.keyUp(Key.CONTROL).perform();
    await maren.sees('2 chosen');
    await maren.driver.executeScript('arguments[0].focus()', knot);
    await maren.chord(Key.ALT, Key.ARROW_RIGHT);
    await maren.sees('Moved 2 entries');
    await maren.element('[data-date="2026-12-01"] button[aria-label*="Oakum"]');
    await maren.element('[data-date="2026-12-03"] button[aria-label*="Knot 15"]');
    await maren.click('button', 'Show less');
    await maren.find('button', /^\d more on week 13, Wed 2 Dec: show all$/);
  });

  test('a class plan is written on the class, dragged to another day in both sections, and a list fills the rest', async () => {
    await maren.open(`${pembit.pembitUrl}/term`);
    await maren.click('button', /Class, 10:00, Rabbet/);
    await maren.sees('The same plan: Class 18, B');
    await maren.type('What is taught', 'Rabbet and bearding line');
    await maren.click('button', 'Save for 38 students in HL');
    await maren.sees('Planned Rabbet and bearding line');
    await maren.drag(
      await maren.find('button', /Class, 10:00, Rabbet and bearding line/),
      await day(maren, '2026-11-03'),
    );
    await maren.sees('Moved Rabbet and bearding line to week 9, Tue 3 Nov');
    await maren.find('button', /Class, 10:00, Stem and apron/);
    await maren.click('button', 'Paste topics');
    await maren.type('Topics', 'Transom\nFinishing\nCritique');
    await maren.type('From class', '24');
    await maren.click('button', 'Look at it first');
    await maren.sees(/Transom Class 24, A: Thu 3 Dec, B: Thu 3 Dec/);
    await maren.sees(/Critique Class 26, A: Thu 10 Dec, B: Thu 10 Dec/);
    await maren.click('button', 'Plan 3 classes');
    await maren.sees('Planned 3 classes');
    await ivo.open(`${pembit.pembitUrl}/day/2026-12-08`);
    await ivo.sees('HL Finishing');
  });
});

test('a weekly event: one of it is moved, this and the later ones change, and it is said in words', async () => {
  await maren.open(`${pembit.pembitUrl}/term?weeks=six&from=7`);
  await maren.click('cell', /^week 7, Tue 20 Oct/);
  await maren.type('Title', 'Lofting clinic');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Starts', '12');
  await maren.type('Ends', '1');
  await maren.unfold('Repeats, video meeting, who is coming');
  await maren.choose('Repeats', 'Every week');
  await maren.choose('Until', 'A number of times');
  await maren.type('How many times', '3');
  await maren.press(Key.ENTER);
  await maren.sees('every week on Tue 3 times');
  const second = await maren.element('[data-date="2026-10-27"] button[aria-label*="Lofting clinic"]');
  await second.click();
  await maren.sees('week 8, Tue 27 Oct, 12:00–13:00');
  // One of them is called off, says so itself, and takes place after all.
  await maren.click('button', 'Call it off');
  await maren.type('Reason (students read it)', 'Storm');
  await maren.click('button', /^Call it off for/);
  await maren.sees('Cancelled: Storm');
  await maren.click('button', 'It takes place after all');
  await maren.find('button', 'Call it off');
  await maren.click('button', 'Edit this and later');
  await maren.type('Starts', '13:30');
  await maren.type('Ends', '14:30');
  await maren.click('button', /^Save for/);
  await maren.sees('Changed Lofting clinic');
  await maren.find('button', /Event, 12:00, Lofting clinic/);
  await maren.element('[data-date="2026-10-27"] button[aria-label*="13:30, Lofting clinic"]');
  await maren.element('[data-date="2026-11-03"] button[aria-label*="13:30, Lofting clinic"]');
});

test('the week by the hour: painted to add, drawn to another hour', async () => {
  await maren.open(`${pembit.pembitUrl}/week?from=2026-11-18`);
  await maren.sees('Week 11');
  const saturday = await maren.element('[data-day="2026-11-21"]');
  const { height } = await saturday.getRect();
  // 8:00 to 18:00: from about 16:00 to about 17:00.
  await maren.drag(saturday, saturday, { x: 0, y: Math.round(height * 0.4) });
  await maren.find('field', 'Ends');
  await maren.type('Title', 'Batten bending');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Starts', '16');
  await maren.type('Ends', '17');
  await maren.click('button', /^Save for/);
  await maren.sees('Added Batten bending');
  const block = await maren.find('button', /Event, 16:00, Batten bending/);
  await maren.drag(block, await maren.element('[data-day="2026-11-19"]'), {
    x: 0,
    y: Math.round(height * 0.25),
  });
  await maren.sees('Moved Batten bending to Thu 19 Nov');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
});

test('everything: several are chosen and deleted at once, and come back with one undo', async () => {
  await maren.open(`${pembit.pembitUrl}/everything`);
  await maren.type('Search', 'passage plan due');
  await maren.click('field', 'Choose all in this list');
  await maren.sees('2 chosen');
  await maren.click('button', 'Delete');
  await maren.sees('Deleted 2 entries');
  await maren.sees('Nothing fits.');
  await maren.click('button', 'Undo');
  await maren.sees('4 of');
});

test('a class was not reached: the rest slides in three inputs, is undone, and told', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await counted(maren, 'a class is cancelled: slide the rest of the course', 3, async () => {
    await maren.click('button', /Class, 10:00, Stations 2 to 6/);
    await maren.click('button', 'We did not get to it: slide');
    await maren.click('button', /^Slide [1-9]\d* plans?$/);
    await maren.sees(/Moved \d+ class plans, Stations 2 to 6 first/);
  });
  await maren.sees('Tell 38 students');
  await maren.click('button', 'Tell 38 students');
  await maren.sees('38 read it in the letter of the day');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.click('button', /Class, 10:00, Stations 2 to 6/);
  await maren.click('button', 'We did not get to it: slide');
  await maren.choose('Sections', 'B');
  await maren.click('button', /^Slide [1-9]\d* plans?$/);
  await maren.sees(/class plans, Stations 2 to 6 first/);
  await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
  await maren.sees('Sections side by side');
  await maren.click('button', 'Bring B to where A is');
  await maren.sees(/Moved \d+ class plans/);
  await maren.doesNotSee('Sections side by side');
});

test('checks: put right in one click, left out with a reason, and seen while writing', async () => {
  await maren.open(`${pembit.pembitUrl}/checks`);
  await maren.sees('Night sail to the outer buoy');
  await maren.click('button', 'Move it to Mon 2 Nov');
  await maren.sees('Put right: Night sail to the outer buoy');
  await maren.doesNotSee('Move it to Mon 2 Nov');
  await maren.click('button', 'Undo');
  await maren.sees('Move it to Mon 2 Nov');
  await maren.click('button', 'This is intended: Night sail to the outer buoy');
  await maren.type('Why, if you like', 'The sea is there on Saturdays');
  await maren.click('button', 'Hide it until it changes');
  await maren.sees('Left out: Night sail to the outer buoy');
  await maren.sees('Maren Toft: The sea is there on Saturdays');
  await maren.doesNotSee('Move it to Mon 2 Nov');
  await maren.click('button', 'Check it again');
  await maren.sees('Move it to Mon 2 Nov');
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('cell', /^week 9, Wed 4 Nov/);
  await maren.click('field', 'Assignment');
  await maren.type('Title', 'Late sketch');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Due at', '0:00');
  await maren.sees('It is due at 00:00, when the day begins.');
  await maren.click('button', 'Cancel');
});

test('the quick line: an assignment in two inputs; what is unclear is asked; a title finds its entry', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await counted(maren, 'an assignment with its set day and due time, by the quick line', 2, async () => {
    await maren.type('Quick line', 'Buoyage quiz, set next class, due week 8 Friday 5 pm, NV');
    await maren.press(Key.ENTER);
    await maren.sees('Added Buoyage quiz');
  });
  await maren.sees('week 8, Fri 30 Oct, 17:00');
  await maren.sees('(start of class 10)');
  await maren.type('Quick line', 'Splicing hour tomorrow 2');
  await maren.sees('When is “2”?');
  await maren.click('button', '14:00');
  await maren.sees('For which course?');
  await maren.click('button', 'HL 210 Hull lofting');
  await maren.sees('week 6, Wed 14 Oct');
  await maren.click('button', 'Add Splicing hour');
  await maren.sees('Added Splicing hour');
  await maren.open(`${pembit.pembitUrl}/office-hours`);
  await maren.type('Quick line', 'buoyage');
  await maren.click('button', /Buoyage quiz week 8/);
  await maren.sees('26 students in NV');
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.type('Quick line', 'Spare battens, due 10 Nov 9:00, HL, as a draft');
  await maren.sees('There are no classes that day: Reading week.');
  await maren.press(Key.ENTER);
  await maren.sees('Added Spare battens');
  await maren.click('button', 'Show it now');
  await maren.sees('Spare battens is shown to 38 students in HL now');
  await maren.type('Quick line', 'Glue pots, tomorrow 9, HL');
  await maren.press(Key.ENTER);
  await maren.sees('Added Glue pots');
  await maren.find('button', 'Edit');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.doesNotSee('Glue pots');
  expect(await maren.driver.findElements({ css: 'aside' })).toEqual([]);
  await ivo.open(`${pembit.pembitUrl}/next`);
  await ivo.type('Quick line', 'spare battens');
  await ivo.sees('week 10, Tue 10 Nov');
  await ivo.type('Quick line', 'zither');
  await ivo.sees('Nothing on the plan has these words in its title.');
  await ivo.type('Quick line', 'ask about the bevel board tomorrow 9');
  await ivo.press(Key.ENTER);
  await ivo.sees('Added ask about the bevel board');
  expect(await ivo.driver.getCurrentUrl()).toBe(`${pembit.pembitUrl}/next`);
});

test('seeing as a student shows no draft and changes nothing; two who edit the same are shown both', async () => {
  await maren.open(`${pembit.pembitUrl}/everything`);
  await maren.type('Search', 'chartwork examination');
  await maren.sees('Draft: only staff see this');
  await maren.choose('See as', 'Ivo Saltmarsh (HL NV)');
  await maren.sees('You see your courses as Ivo Saltmarsh (HL NV) does. Nothing can be changed here.');
  await maren.doesNotSee('Chartwork examination');
  await maren.doesNotSee('Order batten stock');

  for (const person of [maren, tobias]) {
    await person.open(`${pembit.pembitUrl}/week`);
    await person.click('button', /Event, 12:30, Lofting demonstration/);
    await person.click('button', 'Edit');
  }
  await tobias.type('Place', 'Lower loft');
  await tobias.click('button', /^Save for/);
  await tobias.sees('Changed Lofting demonstration');
  await maren.type('Place', 'Upper loft');
  await maren.click('button', /^Save for/);
  await maren.sees('What they saved meanwhile');
  await maren.sees('Lower loft');
  await maren.click('button', 'Save mine over it');
  await maren.sees('Changed Lofting demonstration');
  await maren.sees('Upper loft');
});

test('several entries are copied to another course a week later; a week is copied after a look; one comes again next week', async () => {
  await maren.open(`${pembit.pembitUrl}/everything?from=2026-11-16&to=2026-11-22`);
  await maren.click('field', /^Choose .*Batten bending/);
  await maren.click('button', 'Copy to');
  await maren.click('field', 'NV Coastal navigation');
  await maren.type('Weeks later', '1');
  await maren.click('button', 'Make 1 copy');
  await maren.sees('Made 1 copy, a draft');
  await maren.open(`${pembit.pembitUrl}/term?weeks=one&from=12`);
  await maren.click('button', /Batten bending/);
  await maren.click('button', 'The same next week');
  await maren.sees('week 13, Sat 5 Dec');
  await maren.open(`${pembit.pembitUrl}/term?weeks=one&from=11`);
  await maren.click('link', 'Copy this week');
  await maren.sees('week 11 alone: classes, events, work');
  await maren.sees('its class has a plan already');
  await maren.click('button', /^Carry \d+ over to NV 140/);
  await maren.sees(/Carried \d+ things? over to NV 140/);
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
});

test('a student keeps a note that nobody else sees, answers who is coming, and finds an extension', async () => {
  await ivo.open(`${pembit.pembitUrl}/next`);
  await ivo.sees('Borrow a spline from Signe');
  await maren.open(`${pembit.pembitUrl}/day/2026-10-14`);
  await maren.doesNotSee('Borrow a spline');
  await ivo.open(`${pembit.pembitUrl}/day/2026-10-31`);
  await ivo.click('link', 'Night sail to the outer buoy');
  await ivo.click('button', 'I am coming');
  await ivo.sees('1 of 12 seats taken');
  // With the only seat taken, the next one waits for it, and has it when it is given back.
  const staff = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const event = {
    kind: 'event',
    title: 'Two for the skiff',
    start: '2026-10-30T08:00',
    coming: { seats: 1 },
  };
  const added = await staff.call('POST', '/api/entries', {
    ...event,
    audience: [{ course: demoId('NV 140') }],
  });
  const { id } = (await added.json()) as { id: string };
  const signe = await signedIn(pembit.pembitUrl, 'signe@kittiwake.example');
  const answer = (given: string) => signe.call('PUT', `/api/entries/${id}/reply`, { answer: given });
  expect((await answer('coming')).status).toBe(200);
  await ivo.open(`${pembit.pembitUrl}/e/${id}`);
  await ivo.click('button', 'Wait for a seat');
  await ivo.sees('You have the next seat that becomes free.');
  await ivo.sees('1 of 1 seats taken · 1 waits');
  await answer('notComing');
  await ivo.open(`${pembit.pembitUrl}/e/${id}`);
  await ivo.sees('1 of 1 seats taken');
  await ivo.find('button', 'I am coming');
});
