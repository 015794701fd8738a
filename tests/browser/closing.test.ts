import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson, PHONE } from './browser';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** A day without classes, from where one is told of it to where its plans stand afterwards. */
const effort = effortTable();
let pembit: RunningPembit;
let maren: Person;
beforeAll(async () => {
  pembit = await startPembit();
  maren = await newPerson();
  await maren.open(pembit.pembitUrl);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
});
afterAll(async () => {
  effort.print();
  await maren?.quit();
  await pembit?.stop();
});

/** The titles of the classes of HL 210 in section A, in the order of time. */
async function planned(): Promise<string> {
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const list = (await (await api.call('GET', '/api/occurrences?from=2026-10-19&to=2026-11-06')).json()) as { kind: string; title: string; start: string; courses: string[] }[]; // prettier-ignore
  return list
    .filter(
      ({ kind, courses, start }) => kind === 'class' && courses[0] === 'HL 210' && start.includes('T10:00'),
    )
    .map(({ title, start }) => `${start.slice(5, 10)} ${title}`)
    .join(', ');
}

test('a storm is said in one line: what it hits is shown, plans slide, one undo brings everything back', async () => {
  const before = await planned();
  expect(before).toContain('10-20 Moulds');
  await maren.open(`${pembit.pembitUrl}/today`);
  await effort.counted(maren, 'a day without classes, its plans slid', 4, async () => {
    await maren.type('Quick line', 'no classes Tue 20 Oct: Storm');
    await maren.press(Key.ENTER);
    await maren.find('button', 'See what it hits');
    await maren.click('button', 'See what it hits');
    await maren.sees('1 plan loses its class');
    await maren.sees(/Class \d+, A, Tue 20 Oct: Moulds/);
    await maren.click('button', 'Close these days');
    await maren.sees('Added the closure Storm');
  });
  const after = await planned();
  expect(after).not.toContain('10-20');
  expect(after.indexOf('Moulds')).toBeLessThan(after.indexOf('Stations 2 to 6'));
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
  expect(await planned()).toBe(before);
});

test('it begins from the day itself; a plan that waits stands at the head of the term; a day that means two is asked', async () => {
  await maren.open(`${pembit.pembitUrl}/day/2026-10-20`);
  await maren.click('link', 'No classes on this day…');
  await maren.find('field', 'First day');
  expect(await (await maren.find('field', 'First day')).getAttribute('value')).toBe('Tue 20 Oct');
  await maren.type('Name', 'Burst pipe');
  await maren.click('button', 'See what it hits');
  await maren.sees('1 plan loses its class');
  await maren.click('field', /^Slide the plans that lose their class/);
  await maren.click('button', 'Close these days');
  await maren.sees('Added the closure Burst pipe');
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.sees('HL 210: Moulds has no class');
  // Whoever closed the day: what it left without a class is offered a place where the day begins.
  await maren.open(`${pembit.pembitUrl}/today`);
  await maren.sees('1 class plan has no class in HL 210');
  await maren.click('button', 'Slide the plans of HL 210 in');
  await maren.sees('Slid 1 plan into its next class');
  await maren.doesNotSee('has no class in HL 210');
  await maren.click('button', 'Undo');
  await maren.sees('1 class plan has no class in HL 210');
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.type('Quick line', 'no classes 2/11: Storm');
  await maren.press(Key.ENTER);
  await maren.click('button', 'Mon, 2 Nov 2026');
  await maren.sees('No classes week 9, Mon 2 Nov: Storm');
});

test('away today: said in one line on any page, called off in one act, and back with one undo', async () => {
  await maren.open(`${pembit.pembitUrl}/materials`);
  await effort.counted(maren, 'away until Thursday: classes and times called off', 4, async () => {
    await maren.type('Quick line', 'away until Thu');
    await maren.press(Key.ENTER);
    await maren.sees(/HL Class \d+ · A|HL Class \d+/);
    await maren.click('button', /^Call off \d+ classes/);
    await maren.sees(/Called off \d+ classes/);
  });
  await maren.sees('You have no class and no time then.');
  await maren.open(`${pembit.pembitUrl}/today`);
  await maren.sees(/“.+” stands on a class that is called off/);
  await maren.open(`${pembit.pembitUrl}/day/2026-10-15?course=HL%20210`);
  await maren.sees('Maren Toft is away');
  await maren.open(`${pembit.pembitUrl}/away?from=2026-10-19`);
  await maren.click('button', /^Call off/);
  await maren.sees(/Called off \d/);
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
});

test('what closes today stands at the head of everybody’s pages, of what is published, and is gone with one undo', async () => {
  const office = await newPerson();
  const ivo = await newPerson(PHONE);
  try {
    await office.open(pembit.pembitUrl);
    await office.click('button', 'Sign in as School office');
    await office.sees('Terms');
    await office.open(`${pembit.pembitUrl}/close?day=2026-10-13&name=Storm&closing=early&at=13:00`);
    await office.click('button', 'See what it hits');
    await office.find('button', 'Close these days');
    await office.click('button', 'Close these days');
    await office.sees('Added the closure Storm');
    // The office has done it, and tells of it.
    await office.find('button', /^Tell /);
    await ivo.open(pembit.pembitUrl);
    await ivo.click('button', 'Sign in as Ivo Saltmarsh');
    await ivo.sees(/Today: Storm, closed from 13:00\. Said Tue 13 Oct, \d\d:\d\d\./);
    const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
    const outlets = (await (await api.call('GET', '/api/outlets')).json()) as { kind: string; url: string }[];
    const embed = await (await fetch(outlets.find(({ kind }) => kind === 'embed')!.url)).text();
    expect(embed).toContain('Today: Storm, closed from 13:00.');
    await office.click('button', 'Undo');
    await office.sees('Undone');
    await ivo.open(`${pembit.pembitUrl}/next`);
    await ivo.doesNotSee('Today: Storm');
  } finally {
    await office.quit();
    await ivo.quit();
  }
});
