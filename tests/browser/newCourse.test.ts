import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { signedInAs } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** In 2027, 11 January is a Monday and 23 April the Friday of the fifteenth week. */
const TERM = ['Winter 2027', '2027-01-11', '2027-04-23'] as const;
const ACCOUNT = { email: 'office@ropewalk.example', password: 'a long enough password' };
const TOPICS = Array.from({ length: 28 }, (_, i) => `Topic ${i + 1}`);
const WORK = Array.from({ length: 10 }, (_, i) => `Knot board ${i + 1}`);

let pembit: RunningPembit;
let astrid: Person;
const { counted, print } = effortTable();
beforeAll(async () => {
  pembit = await startPembit({ PEMBIT_DEMO: '', PEMBIT_NOW: '2027-01-04T13:00:00Z' });
  astrid = await newPerson();
  await astrid.open(pembit.pembitUrl);
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
afterAll(async () => {
  print();
  await astrid?.quit();
  await pembit?.stop();
});

const add = (label: string, text: string) =>
  astrid.typeInto('section[aria-labelledby=courses] form', label, text);

test('a new course of 15 weeks, with its topics, work and office hours, published as a feed and an embed', async () => {
  await counted(astrid, 'a new 15-week course, planned and published', 59, async () => {
    await astrid.clickOn('section[aria-labelledby=courses] summary');
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
      await astrid.type('Quick line', `${title}, due week ${i + 3} Friday 5 pm`);
      await astrid.press(Key.ENTER);
      await astrid.sees(`Added ${title}`);
    }

    await astrid.click('link', 'Office hours');
    await astrid.click('link', 'Offer times');
    await astrid.type('Days and hours', 'Tue 12-2');
    await astrid.choose('How often', 'every week to');
    await astrid.click('button', /^Offer \d+ times to/);
    await astrid.find('link', 'Who comes: Office hours');

    for (const [kind, what] of [['feed', 'it'], ['embed', 'the snippet']] as const) {
      await astrid.click('link', 'Publish');
      await astrid.click('link', `New ${kind}`);
      await astrid.click('button', `Publish to anyone with the address, and copy ${what}`);
      await astrid.sees('Published Rope work.');
    }
  }); // prettier-ignore

  const api = await signedInAs(pembit.pembitUrl, ACCOUNT);
  const planned = (await (await api.call('GET', `/api/occurrences?from=${TERM[1]}&to=${TERM[2]}`)).json()) as { kind: string; title: string; start: string }[]; // prettier-ignore
  const of = (kind: string) => planned.filter((o) => o.kind === kind);
  expect(
    of('class')
      .slice(0, 28)
      .map(({ title }) => title),
  ).toEqual(TOPICS);
  expect(of('class')).toHaveLength(30);
  expect(of('due').map(({ title }) => title)).toEqual(WORK);
  expect(of('due')[0]!.start).toMatch(/^2027-01-29T17:00/);
  expect(of('times')).toHaveLength(15);
  const outlets = (await (await api.call('GET', '/api/outlets')).json()) as { kind: string; audience: string; url: string }[]; // prettier-ignore
  const open = outlets.filter(({ audience }) => audience === 'public');
  expect(open.map(({ kind }) => kind).sort()).toEqual(['embed', 'feed']);
  const feed = await (await fetch(open.find(({ kind }) => kind === 'feed')!.url)).text();
  for (const title of [TOPICS[27]!, WORK[9]!]) expect(feed).toContain(title);
});
