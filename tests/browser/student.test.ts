import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { ServerProcess } from '../../scripts/serverProcess';
import { freePort, startServer } from '../../scripts/serverProcess';
import type { Person } from './browser';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../support/api';
import { PHONE, newPerson } from './browser';

/** A student's week on a phone, with a server of its own, since it is stopped in the end, and started again. */
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-student-'));
let pembit: ServerProcess;
let startAgain: () => Promise<void>;
let url: string;
let ivo: Person;
let maren: Person;
beforeAll(async () => {
  const PORT = String(await freePort());
  startAgain = async () => void (pembit = await startServer({ PEMBIT_DATA: folder, PORT }));
  await startAgain();
  url = pembit.url;
  [ivo, maren] = await Promise.all([newPerson(PHONE), newPerson()]);
  await ivo.open(url);
  await ivo.click('button', 'Sign in as Ivo Saltmarsh');
  await ivo.sees('Today and next');
  await maren.open(url);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${url}/term`);
});
afterAll(async () => {
  await Promise.all([ivo, maren].map((person) => person?.quit()));
  await pembit?.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('who was away finds handout, recording and what was set, in three taps', async () => {
  ivo.inputs();
  await ivo.click('link', /^Today, /);
  await ivo.sees('Set that day');
  await ivo.find('link', 'Handout: bevel board');
  await ivo.find('link', 'Recording: bevels');
  expect(ivo.inputs()).toBeLessThanOrEqual(3);
});

test('a due date that moved is told from when to when, marked in the views, and acknowledged', async () => {
  await maren.click('button', /Due, by 17:00, Half-breadth plan/);
  await maren.click('button', 'Edit');
  await maren.type('Due on', '2026-10-16');
  await maren.click('button', /^Save for/);
  await maren.sees('Changed Half-breadth plan');
  await ivo.open(`${url}/next`);
  await ivo.sees(/things? changed since you looked/);
  await ivo.sees('Half-breadth plan: Thu 15 Oct, 17:00 → Fri 16 Oct, 17:00');
  await ivo.click('link', 'Half-breadth plan');
  await ivo.sees('How this came about');
  await ivo.sees('Moved from Thu 15 Oct, 17:00 to Fri 16 Oct, 17:00');
  await ivo.sees(/by Maren Toft, Tue 13 Oct/);
  await ivo.open(`${url}/next`);
  await ivo.sees(/Half-breadth plan moved/);
  await ivo.open(`${url}/term`);
  await ivo.find('button', /Half-breadth plan, moved/);
  await ivo.open(`${url}/next`);
  await ivo.click('button', 'I have seen it');
  await ivo.doesNotSee('changed since you looked');
  await ivo.doesNotSee('Half-breadth plan moved');
});

test('work that is ticked is out of the way, and comes back by undo', async () => {
  await ivo.click('field', 'Done: Half-breadth plan');
  await ivo.sees('1 thing done');
  await ivo.click('button', 'Undo');
  await ivo.sees('Undone.');
  await ivo.doesNotSee('1 thing done');
  await ivo.find('field', 'Done: Half-breadth plan');
});

test('work by one’s own start: the staff set the pace, a student says when they begin, and shares it or not', async () => {
  await maren.open(`${url}/everything`);
  await maren.type('Search', 'half-breadth plan');
  await maren.click('button', 'Half-breadth plan');
  await maren.click('button', 'Edit');
  await maren.unfold('Opens, closes, points, own dates, extensions');
  await maren.choose('By each student’s own start', 'Days after they begin');
  await maren.click('button', /^Save for/);
  await maren.sees('Type a number of days or weeks');
  await maren.type('How many days after', '10');
  await maren.click('button', /^Save for/);
  await maren.sees('Changed Half-breadth plan');
  await ivo.open(`${url}/due`);
  await ivo.sees('HL 210 Hull lofting: not begun yet');
  await ivo.unfold('Say when I begin');
  await ivo.type('I begin HL 210 Hull lofting on', '2026-10-05');
  await ivo.clickOn('form button[type=submit]');
  await ivo.sees('HL 210 Hull lofting: begun Mon 5 Oct');
  await ivo.sees(/Thursday 15 October.*Half-breadth plan.*your own date · On paper/);
  await maren.open(`${url}/courses/HL%20210`);
  await maren.sees(/1 of \d+ students have begun\./);
  await maren.sees('Nobody shares it with you so far.');
  await ivo.click('button', 'Undo');
  await ivo.sees('HL 210 Hull lofting: not begun yet');
  await maren.open(`${url}/courses/NV%20140`);
  await maren.sees(/Ivo Saltmarsh\s.*0 of 1/);
  await ivo.open(`${url}/next`);
  await ivo.sees(/last day; yours follows your start/);
});

test('looks for words, kinds and another week', async () => {
  await ivo.unfoldAt('main');
  await ivo.type('Words of a title', 'bevel');
  await ivo.click('button', 'Show');
  await ivo.sees(/\d found/);
  await ivo.sees('Bevel board');
  await ivo.type('Words of a title', '');
  await ivo.choose('Jump to', 'week 8, 26 Oct');
  await ivo.click('button', 'Show');
  await ivo.sees('Monday 26 October');
  await ivo.doesNotSee('Tuesday 13 October');
});

test('a note hangs on the work it is about, and times are written with twelve hours for whoever wants it', async () => {
  await ivo.open(`${url}/next`);
  await ivo.click('link', /^Half-breadth plan/);
  await ivo.type('Note', 'Borrow the long spline');
  await ivo.click('button', 'Keep the note');
  await ivo.sees('Noted, for you alone.');
  await ivo.click('link', 'Borrow the long spline');
  await ivo.sees('A note on Half-breadth plan');
  await ivo.open(`${url}/account`);
  await ivo.choose('How times are written', '12 hours (5:00 pm)');
  await ivo.click('field', 'Titles and times only, without places and other words');
  await ivo.click('button', 'Save');
  await ivo.sees('Saved');
  await ivo.open(`${url}/next`);
  await ivo.sees(/by 5:00.pm/);
  await ivo.open(`${url}/term`);
  await ivo.sees(/\b10.am/);
  await ivo.doesNotSee('14:00');
  await ivo.open(`${url}/week`);
  await ivo.sees(/\b10.am/);
  await ivo.doesNotSee('14:00');
  await ivo.open(`${url}/next`);
  await ivo.doesNotSee('The loft');
  await ivo.open(`${url}/account`);
  await ivo.choose('How times are written', '24 hours (17:00)');
  await ivo.click('field', 'Titles and times only, without places and other words');
  await ivo.click('button', 'Save');
  await ivo.sees('Saved');
});

test('from abroad both clocks are offered and shown, and said which is which', async () => {
  const { driver } = ivo as unknown as {
    driver: { sendDevToolsCommand: (name: string, params: object) => Promise<void> };
  };
  const be = (timezoneId: string) =>
    driver.sendDevToolsCommand('Emulation.setTimezoneOverride', { timezoneId });
  await be('Europe/Lisbon');
  await ivo.open(`${url}/next`);
  await ivo.sees('This device goes by Lisbon time (Europe/Lisbon); what is planned goes by Halifax time');
  await ivo.click('button', 'Show both times');
  await ivo.sees('Times are those of America/Halifax. Yours, in Europe/Lisbon, stand in brackets.');
  // The clocks change on different days: four hours, and on some days three.
  await ivo.sees('10:00–11:50 (14:00)');
});

test('due work stands by day; time for it is put on a day and taken off, and what is ticked goes', async () => {
  await ivo.open(`${url}/due`);
  await ivo.sees(/Left this week: \d pieces? of work/);
  const day = await ivo.element('main section button[aria-pressed="false"]');
  const name = (await day.getAttribute('aria-label'))!;
  await ivo.click('button', name);
  await ivo.sees('noted, for you alone');
  await ivo.element(`button[aria-label="${name}"][aria-pressed="true"]`);
  await ivo.open(`${url}/next`);
  await ivo.sees('Work on: ');
  await ivo.open(`${url}/due`);
  await ivo.click('button', name);
  await ivo.element(`button[aria-label="${name}"][aria-pressed="false"]`);
  await ivo.clickOn('section[aria-labelledby=late] input[type=checkbox]');
  await ivo.sees(/Done: \d/);
});

test('under an entry stands whom one can write to, and the next time to come by', async () => {
  const staff = await signedIn(url, 'maren@kittiwake.example');
  expect((await staff.call('PUT', '/api/account', { contact: 'maren@kittiwake.example, or the loft' })).status).toBe(200);
  await ivo.open(`${url}/due`);
  await ivo.click('link', /Half-breadth plan/);
  await ivo.sees('Whom to ask');
  await ivo.sees('Maren Toft: maren@kittiwake.example, or the loft');
  await ivo.sees(/next free: \w+ \d+ Oct, \d\d:\d\d/);
  await maren.open(await ivo.driver.getCurrentUrl());
  await maren.sees('Half-breadth plan');
  await maren.doesNotSee('Whom to ask');
}); // prettier-ignore

test('a class has a page of its own, which stays where it is when the class moves', async () => {
  await ivo.open(`${url}/next`);
  await ivo.clickOn('main a[href^="/class/"]');
  await ivo.sees('In class');
  const page = await ivo.driver.getCurrentUrl();
  const id = decodeURIComponent(page.split('/class/')[1]!);
  const staff = await signedIn(url, 'maren@kittiwake.example');
  const moved = { act: 'move', date: '2026-10-17', start: '15:00', end: '16:30', place: 'Shed 4' };
  expect((await staff.call('PUT', `/api/meetings/${id}`, moved)).status).toBe(200);
  await ivo.open(page);
  await ivo.sees(/Saturday,? 17 October/);
  await ivo.sees(/15:00–16:30 .*Shed 4/);
  await ivo.clickOn('nav[aria-label="Classes around this one"] a');
  await ivo.driver.wait(async () => (await ivo.driver.getCurrentUrl()) !== page, 60_000);
  await ivo.sees('In class');
});

test('the address of a class that a storm took away says so', async () => {
  const staff = await signedIn(url, 'maren@kittiwake.example');
  const own = await signedIn(url, 'ivo@kittiwake.example');
  const list = (await (await own.call('GET', '/api/occurrences?from=2026-11-24&to=2026-11-25')).json()) as { kind: string; meeting: string; courses: string[] }[];
  const id = list.find(({ kind, courses }) => kind === 'class' && courses[0] === 'HL 210')!.meeting;
  await ivo.open(`${url}/class/${id}`);
  await ivo.sees('In class');
  const terms = (await (await staff.call('GET', '/api/terms')).json()) as { items: { id: string; name: string }[] };
  const term = terms.items.find(({ name }) => name === 'Autumn 2026')!.id;
  const storm = { term, course: demoId('HL 210'), name: 'Storm', firstDay: '2026-11-24', lastDay: '2026-11-24', plans: 'slide' };
  expect((await staff.call('POST', '/api/closures', storm)).status).toBe(201);
  await ivo.open(`${url}/class/${id}`);
  await ivo.sees('HL: there is no class on Tuesday 24 November');
  await ivo.sees('The timetable had one then: Storm.');
  await ivo.click('link', 'What is on that day');
  await ivo.sees('Tuesday, 24 November 2026');
}); // prettier-ignore

test('from nothing to a subscribed phone: the address, and whether it has been read', async () => {
  await ivo.open(`${url}/subscribe`);
  await ivo.sees('No calendar application has read it yet.');
  const address = (await (await ivo.find('field', 'Your own address')).getAttribute('value'))!;
  expect((await fetch(address)).status).toBe(200);
  await ivo.open(`${url}/subscribe`);
  await ivo.sees(/Last read Tue 13 Oct, \d\d:\d\d · 1 time in two weeks/);
});

test('a parent reads the course’s public page without an account, on a phone', async () => {
  await maren.open(`${url}/publish`);
  const href = await (
    await maren.element('section[aria-label^="Embed"] a[href*="/embed/"]')
  ).getAttribute('href');
  const parent = await newPerson(PHONE);
  try {
    await parent.open(href!);
    await parent.sees('Anyone with this address can read this page.');
    await parent.sees('Half-breadth plan');
    await parent.doesNotSee('Ivo');
    const wide = await parent.driver.executeScript<number>('return document.documentElement.scrollWidth');
    expect(wide).toBeLessThanOrEqual(PHONE.width);
  } finally {
    await parent.quit();
  }
});

/** Whether the device keeps a plan in which some words stand, and the page that draws it. */
const keeps = (person: Person, words = '') =>
  person.driver.executeAsyncScript<boolean>(
    `const [words, done] = arguments;
     indexedDB.databases().then(async (names) => {
       if (!names.some(({ name }) => name === 'pembit') || !(await caches.match('/offline'))) return done(false);
       const open = indexedDB.open('pembit');
       open.onsuccess = () => {
         const read = open.result.transaction('kept').objectStore('kept').get('next');
         read.onsuccess = () => { open.result.close(); done(JSON.stringify(read.result ?? '').includes(words)); };
       };
     });`,
    words,
  );

test('signing out takes the plan off the device', async () => {
  const signe = await newPerson(PHONE);
  try {
    await signe.open(url);
    await signe.click('button', 'Sign in as Signe Bowline');
    await signe.sees('Today and next');
    await signe.driver.wait(() => keeps(signe), 20_000);
    await signe.open(`${url}/account`);
    await signe.click('button', 'Sign out');
    await signe.sees('One calendar for everything in your courses.');
    expect(await keeps(signe)).toBe(false);
  } finally {
    await signe.quit();
  }
});

test('without a connection the device shows what it kept, and says since when', async () => {
  const staff = await signedIn(url, 'maren@kittiwake.example');
  await staff.call('POST', '/api/entries', {
    kind: 'event',
    title: 'Spline swap',
    start: '2026-10-14T15:00',
    description: '<p>Bring your own ducks.</p>',
    audience: [{ course: demoId('HL 210') }],
  });
  await ivo.open(`${url}/next`);
  await ivo.driver.wait(() => keeps(ivo), 20_000);
  await ivo.driver.wait(() => keeps(ivo, 'Spline swap'), 20_000);
  await pembit.stop();
  await ivo.driver.get(`${url}/next`);
  await ivo.sees('No connection');
  await ivo.sees('This is your plan as it was kept on this device on');
  await ivo.sees('Half-breadth plan');
  await ivo.sees('Bring your own ducks.');
  // Four weeks are kept: three weeks and two days from now there is class.
  await ivo.sees(/Thursday 5 November.*Rabbet/);
  // Its links are there, and what is ticked now is sent later, once.
  expect(await (await ivo.find('link', 'Handout: offsets table 4')).getAttribute('href')).toMatch(/^https?:/);
  await ivo.click('field', 'Done: Half-breadth plan');
  await ivo.sees('Kept on this device, and sent when you are connected again.');
  await startAgain();
  await ivo.open(`${url}/next`);
  await ivo.sees('1 tick from before is sent');
  await ivo.sees('1 thing done');
  await ivo.open(`${url}/next`);
  await ivo.doesNotSee('tick from before');
});
