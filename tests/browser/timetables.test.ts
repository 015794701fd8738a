import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson, PHONE } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Timetables beyond the plain week: days that rotate, odd weeks, rooms, single classes, days that open late. */
let pembit: RunningPembit;
const people: Person[] = [];
async function inAs(name: string, size?: typeof PHONE): Promise<Person> {
  const person = await newPerson(size);
  people.push(person);
  await person.open(pembit.pembitUrl);
  await person.click('button', `Sign in as ${name}`);
  return person;
}
beforeAll(async () => {
  pembit = await startPembit();
});
afterAll(async () => {
  for (const person of people) await person.quit();
  await pembit?.stop();
});

/** The classes of NV 140 in some days: `10-14 09:00 Shed 2`. */
async function classes(from: string, to: string): Promise<string[]> {
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const list = (await (await api.call('GET', `/api/occurrences?from=${from}&to=${to}`)).json()) as { kind: string; start: string; place?: string; courses: string[] }[]; // prettier-ignore
  return list
    .filter(({ kind, courses }) => kind === 'class' && courses[0] === 'NV 140')
    .map(({ start, place }) => `${start.slice(5, 16).replace('T', ' ')} ${place ?? ''}`.trim());
}

test('the office lets days rotate, and a section meets on Day A and in odd weeks', async () => {
  const office = await inAs('School office');
  await office.sees('Terms');
  await office.open(`${pembit.pembitUrl}/school`);
  await office.unfold('Change Autumn 2026');
  await office.type('Days that rotate', 'A B');
  const ticked = async (day: string) => (await office.find('field', day)).isSelected();
  expect([await ticked('Monday'), await ticked('Saturday')]).toEqual([true, false]);
  await office.click('button', 'See what it changes');
  await office.sees('Nothing that is planned changes.');
  await office.click('button', 'Change the term');
  await office.sees('Changed the term Autumn 2026');

  const maren = await inAs('Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit.pembitUrl}/courses/NV%20140`);
  await maren.unfold('Change when it meets');
  await maren.type('When it meets', 'Day C 9-10');
  await maren.click('button', 'Change it from then on');
  await maren.sees('There is no day “C”: A, B rotate.');
  await maren.type('When it meets', 'Day A 9-10; Wed 19-22, odd weeks in Shed 2');
  await maren.click('button', 'Change it from then on');
  await maren.sees('Day A 09:00-10:00; Wed 19:00-22:00, odd weeks in Shed 2');
  // Tue 13 Oct is a B: Founders’ day and the Harvest holiday passed their letters on. Week 7 is odd, week 6 is not.
  const found = await classes('2026-10-14', '2026-10-23');
  expect(found.filter((line) => line.includes('Shed 2'))).toEqual(['10-21 19:00 Shed 2']);
  const nine = found.filter((line) => line.includes(' 09:00')).map((line) => line.slice(0, 5));
  expect(nine.length).toBeGreaterThanOrEqual(3);

  const ivo = await inAs('Ivo Saltmarsh', PHONE);
  await ivo.sees('Next');
  await ivo.open(`${pembit.pembitUrl}/day/2026-${nine[0]}`);
  await ivo.sees('· Day A');
});

test('a class is added on a date, rooms change for two weeks, and a class of the night belongs to its evening', async () => {
  const maren = await inAs('Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit.pembitUrl}/courses/NV%20140`);
  await maren.unfold('Add a class on a date');
  const form = 'details[open] form';
  await maren.typeInto(form, 'Day', '17 Oct');
  await maren.typeInto(form, 'Begins', '22');
  await maren.typeInto(form, 'Ends', '1');
  await maren.sees('22:00–01:00');
  await maren.typeInto(form, 'Room', 'Outer quay');
  await maren.click('button', 'Add the class');
  await maren.sees('Added a class of section');
  expect(await classes('2026-10-17', '2026-10-18')).toEqual(['10-17 22:00 Outer quay']);
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
  expect(await classes('2026-10-17', '2026-10-18')).toEqual([]);
});

test('a day that opens late, and one that is online, are said in one line each', async () => {
  const maren = await inAs('Maren Toft');
  await maren.sees('What waits for you');
  const before = await classes('2026-10-21', '2026-10-21');
  expect(before).toContain('10-21 19:00 Shed 2');
  const say = async (line: string) => {
    await maren.open(`${pembit.pembitUrl}/today`);
    await maren.type('Quick line', line);
    await maren.press(Key.ENTER);
    await maren.find('button', 'See what it hits');
    await maren.choose('For', 'NV Coastal navigation');
    await maren.click('button', 'See what it hits');
    await maren.find('button', 'Close these days');
    await maren.click('button', 'Close these days');
    await maren.sees('Added the closure');
  };
  await say('classes online on Wed 21 Oct: Ice');
  expect(await classes('2026-10-21', '2026-10-21')).toEqual(
    before.map((line) => `${line.slice(0, 11)} Online`),
  );
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
  await say('school opens at 8 pm on Wed 21 Oct: Ice');
  expect(await classes('2026-10-21', '2026-10-21')).toEqual([]);
});

test('labs count apart: a list is put on them, work is due at one, a student reads which it is', async () => {
  const maren = await inAs('Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit.pembitUrl}/courses/NV%20140`);
  await maren.unfold('Change when it meets');
  await maren.type('When it meets', 'Mon Fri 9-10:15, lab Wed 14-17 in Shed 2');
  await maren.click('button', 'Change it from then on');
  await maren.sees('lab Wed 14:00-17:00 in Shed 2');
  await maren.sees(/\d+ classes, \d+ labs/);
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('button', 'Paste topics');
  await maren.choose('For', 'NV Coastal navigation');
  await maren.type('From class', 'lab none');
  await maren.sees('Type the number of a class, such as 3, or lab 3.');
  await maren.type('From class', 'lab 2');
  await maren.type('Topics', 'Bearings at sea\nTidal curves');
  await maren.click('button', 'Look at it first');
  await maren.sees('Bearings at sea Lab 2, Wed 28 Oct');
  await maren.click('button', 'Plan 2 classes');
  await maren.sees('Planned 2 classes');
  await maren.type('Quick line', 'Plotting report, due the end of lab 3, NV');
  await maren.sees('Wed 4 Nov');
  await maren.press(Key.ENTER);
  await maren.sees('Added Plotting report');

  const ivo = await inAs('Ivo Saltmarsh', PHONE);
  await ivo.find('link', /^Your account/);
  await ivo.open(`${pembit.pembitUrl}/day/2026-11-04`);
  await ivo.sees(/Tidal curves.*14:00–17:00 · Lab 3 · Shed 2/);
  await ivo.sees(/Due that day.*Plotting report.*by 17:00/);
});

test('a section that never meets is planned by week, as a line across its days', async () => {
  const maren = await inAs('Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit.pembitUrl}/courses/NV%20140`);
  await maren.unfold('Change when it meets');
  await maren.type('When it meets', 'by week');
  await maren.click('button', 'Change it from then on');
  await maren.sees(/9 classes, 8 weeks/);
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.sees(/NV 140: .*have no class/);
  await maren.click('button', 'Paste topics');
  await maren.choose('For', 'NV Coastal navigation');
  await maren.type('From class', 'week 11');
  await maren.type('Topics', 'Passage notes');
  await maren.click('button', 'Look at it first');
  await maren.sees('Passage notes Week 11, Mon 16 Nov');
  await maren.click('button', 'Plan 1 class');
  await maren.sees('Planned 1 class');
  await maren.open(`${pembit.pembitUrl}/day/2026-11-20`);
  await maren.sees('Passage notes');
  await maren.click('any', /Passage notes/);
  await maren.sees(/Mon 16 Nov until Sun 22 Nov/);
  await maren.sees('Passage notes');

  const ivo = await inAs('Ivo Saltmarsh', PHONE);
  await ivo.find('link', /^Your account/);
  await ivo.open(`${pembit.pembitUrl}/day/2026-11-18`);
  await ivo.sees(/In class.*Passage notes.*Week 11/);
});
