import { Key } from 'selenium-webdriver';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { signedInAs } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { byKeys } from './byKeys';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { setupCode, startPembit } from './server';

/** In 2027, 11 January is a Monday and 23 April the Friday of the fifteenth week. */
const TERM = ['Winter 2027', '2027-01-11', '2027-04-23'] as const;
const ACCOUNT = { email: 'office@ropewalk.example', password: 'a long enough password' };
const TOPICS = Array.from({ length: 28 }, (_, i) => `Topic ${i + 1}`);
const WORK = Array.from({ length: 10 }, (_, i) => `Knot board ${i + 1}`);
const lineOf = (title: string, i: number) => `${title}, due week ${i + 3} Friday 5 pm`;
/** A whole term's work takes a slow machine longer than other tests. */
const PATIENCE = 400_000;
const OUTLETS = [
  ['feed', 'it'],
  ['embed', 'the snippet'],
] as const;

let pembit: RunningPembit;
let astrid: Person;
beforeEach(async () => {
  pembit = await startPembit({ PEMBIT_DEMO: '', PEMBIT_NOW: '2027-01-04T13:00:00Z' });
  astrid = await newPerson();
  await astrid.open(pembit.pembitUrl);
  await astrid.type('Code from the server', setupCode(pembit));
  await astrid.type('Your name', 'Astrid Holm');
  await astrid.type('E-mail address', ACCOUNT.email);
  await astrid.type('Password', ACCOUNT.password);
  await astrid.type('Name of the school', 'Ropewalk School');
  for (const [i, field] of (['Name', 'First day', 'Last day'] as const).entries())
    await astrid.type(field, TERM[i]!);
  await astrid.choose('Time zone', 'America/Halifax');
  await astrid.click('button', 'Set up');
  await astrid.sees('Ropewalk School');
});
afterEach(async () => {
  await astrid?.quit();
  await pembit?.stop();
});

/** What stands there afterwards: in Pembit, and in the feed as calendar programs read it. */
async function isPlanned(): Promise<void> {
  const api = await signedInAs(pembit.pembitUrl, ACCOUNT);
  const planned = (await (await api.call('GET', `/api/occurrences?from=${TERM[1]}&to=${TERM[2]}`)).json()) as { kind: string; title: string; start: string }[]; // prettier-ignore
  const of = (kind: string) => planned.filter((o) => o.kind === kind);
  const titles = of('class').map(({ title }) => title);
  expect(titles.slice(0, 28)).toEqual(TOPICS);
  expect(titles).toHaveLength(30);
  const others = planned.filter(({ kind }) => kind !== 'class' && kind !== 'times');
  expect(others.map(({ kind, title }) => `${kind}: ${title}`)).toEqual(WORK.map((title) => `due: ${title}`));
  expect(of('due')[0]!.start).toMatch(/^2027-01-29T17:00/);
  expect(of('times')).toHaveLength(15);
  const outlets = (await (await api.call('GET', '/api/outlets')).json()) as { kind: string; audience: string; url: string }[]; // prettier-ignore
  const open = outlets.filter(({ audience }) => audience === 'public');
  expect(open.map(({ kind }) => kind).sort()).toEqual(['embed', 'feed']);
  const feed = await (await fetch(open.find(({ kind }) => kind === 'feed')!.url)).text();
  for (const title of [TOPICS[27]!, WORK[9]!]) expect(feed).toContain(title);
}

const add = (label: string, text: string) =>
  astrid.typeInto('section[aria-labelledby=courses] form', label, text);

test(
  'a new course of 15 weeks, with its topics, work and office hours, published as a feed and an embed',
  async () => {
    const { counted, print } = effortTable();
    await counted(astrid, 'a new 15-week course, planned and published', 59, async () => {
      await astrid.unfoldAt('section[aria-labelledby=courses]');
      await add('Code', 'RW 101');
      await add('Tag', 'RW');
      await add('Title', 'Rope work');
      await add('Sections, one a line', 'A: Mon Wed 9-10:15');
      await astrid.click('button', 'Add the course');
      await astrid.sees('1 section · 30 classes');

      await astrid.click('link', 'Term');
      await astrid.click('button', 'Paste topics');
      await astrid.type('Topics', TOPICS.join('\n'));
      await astrid.click('button', 'Look at it first');
      await astrid.click('button', 'Plan 28 classes');
      await astrid.sees('Planned 28 classes');
      for (const [i, title] of WORK.entries()) {
        await astrid.type('Quick line', lineOf(title, i));
        await astrid.press(Key.ENTER);
        await astrid.sees(`Added ${title}`);
      }

      await astrid.click('link', 'Office hours');
      await astrid.click('link', 'Offer times');
      await astrid.type('Days and hours', 'Tue 12-2');
      await astrid.choose('How often', 'every week to');
      await astrid.click('button', /^Offer \d+ times to/);
      await astrid.find('link', 'Who comes: Office hours');

      for (const [kind, what] of OUTLETS) {
        await astrid.click('link', 'Publish');
        await astrid.click('link', `New ${kind}`);
        await astrid.click('button', `Publish to anyone with the address, and copy ${what}`);
        await astrid.sees('Published Rope work.');
      }
    });
    print();
    await isPlanned();
  },
  PATIENCE,
);

test(
  'the same by keyboard alone',
  async () => {
    const { keys, reach, go, write } = byKeys(() => astrid);
    await reach('Add a course');
    await keys(Key.ENTER);
    await write('Code', 'RW 101');
    await write('Tag', 'RW');
    await write('Title', 'Rope work');
    await write('Sections, one a line', 'A: Mon Wed 9-10:15');
    await go('Add the course');
    await astrid.sees('1 section · 30 classes');

    await go('Term');
    await astrid.find('button', 'Paste topics');
    await go('Paste topics');
    await astrid.find('field', 'Topics');
    await write('Topics', TOPICS.join('\n'));
    await go('Look at it first');
    await astrid.find('button', 'Plan 28 classes');
    await go('Plan 28 classes');
    await astrid.sees('Planned 28 classes');
    for (const [i, title] of WORK.entries()) {
      await write('Quick line', lineOf(title, i));
      await keys(Key.ENTER);
      await astrid.sees(`Added ${title}`);
    }

    await go('Office hours');
    await astrid.find('link', 'Offer times');
    await go('Offer times');
    await astrid.find('field', 'Days and hours');
    await write('Days and hours', 'Tue 12-2');
    await reach('How often');
    await keys('every week to');
    await astrid.find('button', /^Offer \d+ times to/);
    await go(/^Offer \d+ times to/);
    await astrid.find('link', 'Who comes: Office hours');

    for (const [kind, what] of OUTLETS) {
      const act = `Publish to anyone with the address, and copy ${what}`;
      await go('Publish');
      await astrid.find('link', `New ${kind}`);
      await go(`New ${kind}`);
      await astrid.find('button', act);
      await go(act);
      await astrid.sees('Published Rope work.');
    }
    await isPlanned();
  },
  PATIENCE,
);
