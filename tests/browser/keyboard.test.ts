import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { MAREN } from '../../src/server/demo/people';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { byKeys } from './byKeys';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Every job of the effort table without a pointer: what has the focus is found by pressing Tab, and acted on by keys. */
let pembit: RunningPembit;
let person: Person;
beforeAll(async () => {
  pembit = await startPembit();
  person = await newPerson();
});
afterAll(async () => {
  await person?.quit();
  await pembit?.stop();
});

const { keys, reach, go, tick, write } = byKeys(() => person);
const focused = async () => (await person.driver.switchTo().activeElement()).getAccessibleName();

/** Into the grid of the term, along its days to the one with this date. */
async function toDay(date: string): Promise<void> {
  await reach(/^week \d+, /);
  const place = (day?: string) =>
    person.driver.executeScript<string>(
      `const cell = arguments[0] ? document.querySelector('[data-date="' + arguments[0] + '"]') : document.activeElement; return cell.dataset.cell;`,
      day,
    );
  const [toRow, toColumn] = (await place(date)).split(' ').map(Number);
  const [row, column] = (await place()).split(' ').map(Number);
  for (let i = row!; i !== toRow; i += Math.sign(toRow! - i)) await keys(toRow! > i ? Key.ARROW_DOWN : Key.ARROW_UP); // prettier-ignore
  for (let i = column!; i !== toColumn; i += Math.sign(toColumn! - i)) await keys(toColumn! > i ? Key.ARROW_RIGHT : Key.ARROW_LEFT); // prettier-ignore
}
/** Onto a mark of that day. */
async function toMark(date: string, name: RegExp): Promise<void> {
  await toDay(date);
  await keys(Key.ENTER);
  for (let i = 0; i < 8 && !name.test(await focused()); i++) await keys(Key.ARROW_DOWN);
  expect(await focused()).toMatch(name);
}
const dayOfMark = (name: string) =>
  person.driver.executeScript<string>(
    `return [...document.querySelectorAll('[role=gridcell] button')].find((e) => e.getAttribute('aria-label')?.includes(arguments[0])).closest('[data-date]').dataset.date`,
    name,
  );

async function become(name: string, path: string): Promise<void> {
  await person.driver.manage().deleteAllCookies();
  await person.open(`${pembit.pembitUrl}/sign-in`);
  await go(`Sign in as ${name}`);
  await person.find('link', /^Your account/);
  await person.open(pembit.pembitUrl + path);
}

test('an instructor plans: from the shelf, by the quick line, to three courses', async () => {
  await become('Maren Toft', '/term');
  // The word of the navigation is a link.
  await reach('Materials', 'button');
  await keys(Key.ENTER);
  await go('Plan Bending a batten');
  await write('Day', '22 Oct');
  await go(/^Save for/);
  await person.sees('Added Bending a batten');
  await person.sees('week 7, Thu 22 Oct');

  await write('Quick line', 'Buoyage quiz, set next class, due week 8 Friday 5 pm, NV');
  await person.sees('Add Buoyage quiz');
  await keys(Key.ENTER);
  await person.sees('Added Buoyage quiz');

  await become('Tobias Aldous', '/term');
  await toDay('2026-10-28');
  await keys('O');
  await person.find('field', 'Title');
  await keys('pen harbour');
  for (const course of [/^HL/, /^NV/, /^SR/]) {
    await reach(course);
    const box = await person.driver.switchTo().activeElement();
    if (!(await box.isSelected())) await keys(Key.SPACE);
  }
  await keys(Key.ENTER);
  await person.sees('Added Open harbour');
  for (const who of ['38 students in HL', '26 students in NV', '27 students in SR']) await person.sees(who);
});

test('when things change: a due date moves with what hangs on it, a class that was not reached slides, and is undone', async () => {
  await become('Maren Toft', '/term');
  await toMark('2026-10-15', /Due, by 17:00, Half-breadth plan/);
  await person.chord(Key.ALT, Key.ARROW_RIGHT);
  await person.sees('Moved Half-breadth plan to week 6, Fri 16 Oct');
  await go('Move its other dates too');
  await person.doesNotSee('Move its other dates too');

  await toMark(await dayOfMark('Class, 10:00, Stations 2 to 6'), /Class, 10:00, Stations 2 to 6/);
  await keys(Key.ENTER);
  await person.find('button', 'We did not get to it: slide');
  await go('We did not get to it: slide');
  await person.find('button', /^Slide [1-9]\d* plans?$/);
  await go(/^Slide [1-9]\d* plans?$/);
  await person.sees(/Moved \d+ class plans, Stations 2 to 6 first/);
  await go('Undo');
  await person.sees('Undone.');
});

test('office hours: a day in halves of an hour, lunch all term; a student takes a time and gives it back', async () => {
  await become('Maren Toft', '/office-hours/new');
  await write('Days and hours', 'Sat 24 Oct 10-4');
  await write('What it is called', 'Open loft');
  await person.find('button', 'Offer 12 times to 38 students');
  await go('Offer 12 times to 38 students');
  await person.find('link', 'Who comes: Open loft');

  await person.open(`${pembit.pembitUrl}/office-hours/new`);
  await write('What it is called', 'Lunch hours');
  await write('Days and hours', 'Tue Thu 12-2');
  await write('Minutes of a time', '25');
  await write('Minutes between times', '5');
  await reach('How often');
  await keys('every week to');
  await person.sees('over 9 weeks');
  await go(/^Offer \d+ times to 38 students/);
  await person.find('link', 'Who comes: Lunch hours');

  await become('Ivo Saltmarsh', '/sign-up');
  await person.sees('Open loft');
  await go(/^10:30, .*24 October, Open loft/);
  await go('Take this time');
  await person.sees('Sat 24 Oct, 10:30 is yours');
  await go('Give back');
  await person.sees('is free again');
});

test('a student reaches the handout from what is next', async () => {
  await become('Ivo Saltmarsh', '/next');
  await reach('Open Handout: bevel board');
  expect(await (await person.driver.switchTo().activeElement()).getAttribute('href')).toContain('://');
  await keys(Key.ENTER);
  await person.driver.wait(async () => (await person.driver.getAllWindowHandles()).length === 2, 10_000);
  const [first, second] = await person.driver.getAllWindowHandles();
  await person.driver.switchTo().window(second!);
  await person.driver.close();
  await person.driver.switchTo().window(first!);
});

test('a feed and an embed are published', async () => {
  await become('Maren Toft', '/term');
  await go('Publish');
  await person.find('link', 'New feed');
  await go('New feed');
  await person.find('button', /^Publish to anyone with the address/);
  await go(/^Publish to anyone with the address, and copy it/);
  await person.sees('Published Hull lofting.');
  await person.open(`${pembit.pembitUrl}/publish`);
  await go('New embed');
  await person.find('field', 'NV Coastal navigation');
  await tick('NV Coastal navigation');
  await tick('Breakwater District');
  await write('Name', 'Both courses');
  await go(/^Publish to anyone with the address, and copy the snippet/);
  await person.sees('Published Both courses.');
});

test('a plan is carried over into a new course, and taken back', async () => {
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-23', tzid: 'America/Halifax' }); // prettier-ignore
  await made('/api/courses', { term, instructor: MAREN.id, code: 'HL 220', title: 'Hull models', tag: 'HM', color: 'plum', sections: [{ name: 'A', week: 'Mon Wed 10-11:30' }] }); // prettier-ignore
  await become('Maren Toft', '/courses');
  await go(/HL 220/);
  await person.find('link', 'Carry a plan over into this course');
  await person.sees('30 classes');
  await go('Carry a plan over into this course');
  await person.sees('Half-breadth plan');
  await go(/^Carry \d+ over to HL 220/);
  await person.sees(/Carried \d+ things over to HL 220/);
  await go('Undo');
  await person.sees('Undone');
});
