import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { MAREN } from '@/server/demo/people';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** A course that holds nothing, and the schedule that its instructor has: everything comes in by one paste. */
const effort = effortTable();
let pembit: RunningPembit;
let maren: Person;
let course = '';
beforeAll(async () => {
  pembit = await startPembit();
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }); // prettier-ignore
  course = await made('/api/courses', { term, instructor: MAREN.id, code: 'SM 101', title: 'Seamanship', tag: 'SM', color: 'plum', sections: [{ name: 'A', week: 'Mon 10-11:50' }] }); // prettier-ignore
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

const TOPICS = ['Knots', 'Hitches', 'Splices', 'Blocks', 'Tackles', 'Anchors', 'Moorings', 'Oars', 'Sails', 'Reefing', 'Rules', 'Lights', 'Signals', 'Weather', 'Towing']; // prettier-ignore
const dateIn = (week: number, weekday: number) =>
  new Date(Date.UTC(2027, 0, 11 + 7 * week + weekday)).toLocaleDateString('en-US', { month: 'short', day: 'numeric', timeZone: 'UTC' }); // prettier-ignore
const SCHEDULE = [
  'Seamanship, winter term',
  ...TOPICS.map((topic, week) => `${dateIn(week, 0)}: ${topic}`),
  ...Array.from({ length: 12 }, (_, week) => `Logbook ${week + 1} due ${dateIn(week, 4)}, 5 pm`),
  'Thursday Feb 3: Loft visit',
].join('\n');

type Occurrence = { kind: string; title: string; courses: string[] };
async function planned(): Promise<string[]> {
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const list = (await (await api.call('GET', '/api/occurrences?from=2027-01-11&to=2027-04-30')).json()) as Occurrence[]; // prettier-ignore
  return list.filter(({ courses }) => courses[0] === 'SM 101').map(({ kind, title }) => `${kind} ${title}`);
}

test('a whole term comes in by one paste: what is unclear is asked, one undo takes it back, and the same again is nothing new', async () => {
  await maren.open(`${pembit.pembitUrl}/schedule?course=${course}`);
  await effort.counted(maren, '15 topics and 12 pieces of work by one paste', 8, async () => {
    await maren.type('The schedule', SCHEDULE);
    await maren.click('button', 'Read it');
    await maren.sees('28 things were found. 1 is asked about.');
    await maren.sees('In “Thursday Feb 3” the weekday is not the date’s');
    await maren.click('button', 'Thursday, 4 February 2027');
    await maren.click('button', 'Plan 28 lines');
    await maren.sees('Planned 15 classes, 13 entries');
  });
  const after = await planned();
  for (const topic of TOPICS) expect(after).toContain(`class ${topic}`);
  expect(after.filter((line) => line.startsWith('due Logbook'))).toHaveLength(12);
  expect(after).toContain('event Loft visit');

  await maren.click('button', 'Undo');
  await maren.sees('Undone');
  const back = await planned();
  expect(back.filter((line) => line.startsWith('due') || line.startsWith('event'))).toEqual([]);
  for (const topic of TOPICS) expect(back).not.toContain(`class ${topic}`);
});

test('a line is corrected where it stands, another is left out; a reload keeps what was typed', async () => {
  await maren.open(`${pembit.pembitUrl}/schedule?course=${course}`);
  await maren.type('The schedule', 'Jan 18: Hitches\nJan 25: Splices\nEssay due');
  await maren.open(`${pembit.pembitUrl}/schedule?course=${course}`);
  await maren.click('button', 'Read it');
  await maren.sees('3 things were found. 1 is asked about.');
  await maren.click('button', 'Change Hitches');
  await maren.type('Title', 'Hitches and bends');
  await maren.click('button', 'Change Essay');
  await maren.typeInto('li[data-asks=true]', 'Day', '29 Jan');
  await maren.click('field', 'Take Splices');
  await maren.click('button', 'Plan 2 lines');
  await maren.sees('Planned 1 class, 1 entry');
  expect((await planned()).filter((line) => /Hitches|Splices|Essay/.test(line)).sort()).toEqual([
    'class Hitches and bends',
    'due Essay',
  ]);
  await maren.type('The schedule', 'Jan 18: Hitches and bends');
  await maren.click('button', 'Read it');
  await maren.sees('1 stands in the plan already.');
});

test('a line about office hours begins the form that offers them', async () => {
  await maren.open(`${pembit.pembitUrl}/schedule?course=${course}`);
  await maren.type('The schedule', 'Jan 18: Hitches\nOffice hours: T/Th 12-2 in 25s, 5 between');
  await maren.click('button', 'Read it');
  const link = await maren.find('link', 'Offer these times');
  await maren.open((await link.getAttribute('href'))!);
  const value = async (name: string) => (await maren.find('field', name)).getAttribute('value');
  await maren.driver.wait(async () => (await value('Days and hours')) === 'T/Th 12-2', 15_000);
  expect([await value('Minutes of a time'), await value('Minutes between times')]).toEqual(['25', '5']);
  await maren.sees('every week to');
  await maren.type('Minutes of a time', '20');
  await maren.driver.navigate().refresh();
  await maren.driver.wait(async () => (await value('Minutes of a time')) === '20', 15_000);
});

test('several lines pasted into the quick line are a schedule, read where there is room for them', async () => {
  await maren.open(`${pembit.pembitUrl}/today`);
  await maren.driver.executeScript(`
    const data = new DataTransfer();
    data.setData('text', 'Oct 20: Moulds\\nNov 3: Essay 1 due');
    const field = document.querySelector('input[aria-label="Quick line"]') ?? [...document.querySelectorAll('input')].find((e) => e.labels?.[0]?.innerText === 'Quick line');
    field.focus();
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  `);
  await maren.sees('Paste a schedule');
  await maren.click('button', 'Read it');
  await maren.sees('2 things were found.');
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-'));
  const choose = async (name: string, text: string, shown: string) => {
    writeFileSync(path.join(folder, name), text);
    await maren.chooseFile(/^Or choose a file/, path.join(folder, name));
    // What stands in a field is no text of the page.
    await maren.driver.wait(
      () => maren.driver.executeScript<boolean>('return [...document.querySelectorAll("textarea")].some((t) => t.value.includes(arguments[0]))', shown), // prettier-ignore
      15_000,
    );
    await maren.click('button', 'Read it');
  };
  await choose('plan.csv', 'Date,Topic,Due\nOct 22,Ribbands,Sheet 1\n', 'Oct 22');
  await maren.sees('2 things were found.');
  await maren.sees('Sheet 1');
  const event = ['BEGIN:VEVENT', 'UID:a', 'DTSTAMP:20260901T000000Z', 'SUMMARY:Slip open', 'DTSTART:20270223T150000Z', 'END:VEVENT']; // prettier-ignore
  const calendar = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...event, 'END:VCALENDAR', ''];
  await choose('plan.ics', calendar.join('\r\n'), 'Slip open');
  await maren.sees('1 thing was found.');
  await maren.sees('Tue 23 Feb, 11:00');
});
