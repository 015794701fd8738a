import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { MAREN } from '@/server/demo/people';
import { startServer } from '../../scripts/serverProcess';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
import { effortTable } from './effort';

/** The autumn of the demo ends on Fri 18 Dec 2026; a winter comes after it, in which one of its courses is taught again. */
const effort = effortTable();
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-two-terms-'));
let server: Awaited<ReturnType<typeof startServer>>;
let maren: Person;
let winter = '';
const people: Person[] = [];

/** The same school, at another time. */
async function goTo(now: string): Promise<void> {
  await server?.stop();
  server = await startServer({ PEMBIT_DATA: folder, PEMBIT_NOW: now });
}

/** The id of the term. */
async function addWinter(): Promise<string> {
  const office = await signedIn(server.url, 'office@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }); // prettier-ignore
  const course = await made('/api/courses', { term, instructor: MAREN.id, code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'brick', sections: [{ name: 'A', week: 'Mon Wed 10-11:15' }] }); // prettier-ignore
  const api = await signedIn(server.url, 'maren@kittiwake.example');
  const joined = await api.call('POST', `/api/courses/${course}/roster`, { list: 'Ivo Saltmarsh, ivo@kittiwake.example' }); // prettier-ignore
  expect(joined.status).toBe(201);
  return term;
}

async function signIn(name: string, sees: string): Promise<Person> {
  const person = await newPerson();
  people.push(person);
  await person.open(server.url);
  await person.click('button', `Sign in as ${name}`);
  await person.sees(sees);
  return person;
}
const switches = async (person: Person) => (await (await person.element('ul[aria-label="Courses shown"]')).getText()).replace(/\s+/g, ' '); // prettier-ignore

beforeAll(async () => {
  await goTo('2026-10-13T12:00:00Z');
  winter = await addWinter();
  maren = await signIn('Maren Toft', 'What waits for you');
});
afterAll(async () => {
  effort.print();
  for (const person of people) await person.quit();
  await server?.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('the coming term is looked at in two inputs, and the present one again in two', async () => {
  await maren.open(`${server.url}/term`);
  await maren.sees('Body plan');
  await effort.counted(maren, 'look at the coming term', 2, async () => {
    await maren.click('button', 'Autumn 2026. Look at another term');
    await maren.click('button', /^Winter 2027 begins Mon, 11 Jan 2027|^Winter 2027/);
    await maren.find('cell', /^week 1, Mon 11 Jan/);
  });
  expect(await maren.driver.getCurrentUrl()).toContain('/term?term=');
  await effort.counted(maren, 'and back', 2, async () => {
    await maren.click('button', 'Winter 2027. Look at another term');
    await maren.click('button', /^Autumn 2026/);
    await maren.sees('Body plan');
  });
});

test('winter is prepared while autumn runs: every page speaks of it until another is chosen', async () => {
  await maren.click('button', 'Autumn 2026. Look at another term');
  await maren.click('button', /^Winter 2027/);
  await maren.find('cell', /^week 1, Mon 11 Jan/);
  expect(await switches(maren)).toBe('HL Hull lofting');
  expect((await maren.text()).match(/a student of HL A/g)).toHaveLength(1);
  await maren.click('link', 'Week');
  await maren.sees('Mon 11');
  await maren.click('link', 'Everything');
  await maren.sees('Winter 2027');
  await maren.doesNotSee('Half-breadth plan');
  await maren.click('link', 'Load');
  await maren.sees('HL 210 Hull lofting');
  await maren.doesNotSee('NV 301');
  await maren.click('link', 'Publish');
  await maren.sees(/Published for other terms: \d/);
  await maren.click('link', 'Outside calendars');
  await maren.sees(/\d calendars of other terms/);
  await maren.doesNotSee('Breakwater District');
  await maren.click('link', 'Materials');
  await maren.sees('Add');
  await maren.click('link', 'Term');
  await maren.find('cell', /^week 1, Mon 11 Jan/);
  await maren.type('Quick line', 'Mould loft visit Friday 10-11, HL');
  await maren.press(Key.ENTER);
  await maren.sees('Added Mould loft visit');
  await maren.sees('Mould loft visit');

  // Weekly hours begin with the term, whoever offers is among the hosts, and what was done is said.
  const timesBefore = async () => {
    const api = await signedIn(server.url, 'maren@kittiwake.example');
    const list = (await (await api.call('GET', '/api/occurrences?from=2026-10-13&to=2027-01-10')).json()) as { kind: string }[]; // prettier-ignore
    return list.filter(({ kind }) => kind === 'times').length;
  };
  const before = await timesBefore();
  await maren.click('link', 'Office hours');
  await maren.click('link', 'Offer times');
  await maren.type('Days and hours', 'Tue 12-2');
  await maren.choose('How often', 'every week to');
  await maren.sees('12 Jan');
  await maren.click('button', /^Offer \d+ times to/);
  await maren.sees(/Offered \d+ times/);
  expect(await timesBefore()).toBe(before);

  // The plan of autumn comes over, and one stands where it went.
  await maren.click('link', 'Courses');
  await maren.clickOn(`section[aria-labelledby="${winter}"] a`);
  await maren.sees('Winter 2027');
  await maren.click('link', 'Carry a plan over into this course');
  await maren.click('button', /^Carry \d+ over to HL 210/);
  await maren.sees(/Carried \d+ things over to HL 210/);
  await maren.find('cell', /^week 1, Mon 11 Jan/);
  await maren.sees('Body plan');
});

test('the students of both terms see each in its own, and today what is now', async () => {
  const ivo = await signIn('Ivo Saltmarsh', 'Today and next');
  await ivo.sees('week 6, Tue 13 Oct');
  await ivo.size(PHONE);
  await ivo.click('link', 'Term');
  // The page from which one comes has the same menu, which closes when it goes.
  await ivo.sees('The term, week by week');
  await ivo.click('button', 'Autumn 2026. Look at another term');
  await ivo.click('button', /^Winter 2027/);
  await ivo.sees('Mould loft visit');
  await ivo.size(DESKTOP);
  await ivo.click('link', 'Next');
  await ivo.sees('week 6, Tue 13 Oct');
});

test('between terms both are said; once the new one runs, the old one is still there', async () => {
  await goTo('2026-12-29T13:00:00Z');
  const ivo = await signIn('Ivo Saltmarsh', 'Today and next');
  await ivo.sees('Autumn 2026 ended Fri 18 Dec · Winter 2027: classes begin Mon 11 Jan');
  await goTo('2027-01-13T16:00:00Z');
  const teaching = await signIn('Maren Toft', 'What waits for you');
  await teaching.sees('week 1, Wed 13 Jan');
  await teaching.click('link', 'Term');
  await teaching.find('cell', /^week 1, Mon 11 Jan/);
  await teaching.click('button', 'Winter 2027. Look at another term');
  await teaching.click('button', /^Autumn 2026 ended/);
  await teaching.sees('Body plan');
});

test('a term that holds nothing is deleted at once, one that holds courses after the plain warning', async () => {
  const office = await signIn('School office', 'Terms');
  const api = await signedIn(server.url, 'office@kittiwake.example');
  const names = async () => ((await (await api.call('GET', '/api/terms')).json()) as { items: { name: string }[] }).items.map(({ name }) => name); // prettier-ignore
  await api.call('POST', '/api/terms', { name: 'Summer 2027', startsOn: '2027-06-01', endsOn: '2027-07-30', tzid: 'America/Halifax' }); // prettier-ignore
  await office.open(`${server.url}/school`);
  await office.click('button', 'Delete Summer 2027…');
  await office.click('button', 'Delete Summer 2027');
  await office.sees('Deleted the term Summer 2027');
  expect(await names()).not.toContain('Summer 2027');
  // Nothing that still runs goes along unawares.
  await office.click('button', 'Delete Winter 2027…');
  await office.sees(/1 course with/);
  await office.click('button', 'Delete Winter 2027');
  await office.sees('Archive each of them first');
  const { items } = (await (await api.call('GET', `/api/courses?term=${winter}`)).json()) as { items: { id: string }[] }; // prettier-ignore
  for (const { id } of items) expect((await api.call('PUT', `/api/courses/${id}/archive`, { archived: true })).ok).toBe(true); // prettier-ignore
  await office.open(`${server.url}/school`);
  await office.click('button', 'Delete Winter 2027…');
  await office.click('button', 'Delete Winter 2027');
  await office.sees('Deleted the term Winter 2027');
  expect(await names()).toEqual(['Autumn 2026']);
});
