import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { MAREN } from '@/server/demo/people';
import type { Api } from '../support/api';
import { anonymous, signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { effortTable } from './effort';
import { setupCode, startPembit } from './server';

const effort = effortTable();
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-next-term-'));
let pembit: Awaited<ReturnType<typeof startPembit>>;
let maren: Person;
let api: Api;
let next = '';
let winter = '';

/** The administrator has added the winter term with the same course, which meets on other days. */
beforeAll(async () => {
  pembit = await startPembit();
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }); // prettier-ignore
  await made('/api/closures', { term, name: 'Ice week', firstDay: '2027-02-15', lastDay: '2027-02-19' });
  winter = `section[aria-labelledby="${term}"] a`;
  next = await made('/api/courses', { term, instructor: MAREN.id, code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'brick', sections: [{ name: 'A', week: 'Mon Wed 10-11:15' }] }); // prettier-ignore
  maren = await newPerson();
  await maren.open(pembit.pembitUrl);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
});
afterAll(async () => {
  effort.print();
  rmSync(folder, { recursive: true, force: true });
  await maren?.quit();
  await pembit?.stop();
});

test('last term is carried over with its address in four inputs, and taken back with one', async () => {
  await maren.open(`${pembit.pembitUrl}/courses`);
  await effort.counted(maren, 'carry last term over to the new dates', 6, async () => {
    await maren.clickOn(winter);
    await maren.click('link', 'Carry a plan over into this course');
    await maren.sees('Half-breadth plan');
    await maren.click('field', 'HL 210 Hull lofting');
    await maren.click('button', /^Carry \d+ over to HL 210/);
    await maren.sees(/Carried \d+ things over to HL 210/);
  });
  const outlets = (await (await api.call('GET', '/api/outlets')).json()) as { name: string; url: string }[];
  const feed = await (await fetch(outlets.find((o) => o.name === 'HL 210 Hull lofting')!.url)).text();
  expect(feed).toContain('DTSTART;TZID=America/Halifax:20270113T100000');
  expect(feed).not.toContain('DTSTART;TZID=America/Halifax:20261013T');
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
  await maren.open(`${pembit.pembitUrl}/carry-over?to=${next}`);
  await maren.sees('Half-breadth plan');
});

test('each line can be put on another day or left out, and says what is wrong', async () => {
  await maren.open(`${pembit.pembitUrl}/carry-over?to=${next}`);
  await maren.choose('Days are found', 'by teaching week and weekday');
  await maren.sees('Ice week lies on its day: put on the next open one');
  await maren.choose('Students see it', 'not yet: all as drafts');
  await maren.sees('stay drafts until you show them');
  await maren.click('field', 'Carry Half-breadth plan over');
  await maren.sees(/1 left out|\d+ left out/);
  await maren.click('button', /^Carry \d+ over to HL 210/);
  await maren.sees(/Carried \d+ things over/);
  const occurrences = await (await api.call('GET', '/api/occurrences?from=2027-01-11&to=2027-04-30')).text();
  expect(occurrences).not.toContain('Half-breadth plan');
  expect(occurrences).toContain('Body plan');
});

test('a roster from the school’s system is seen first, taken over, and the same again changes nothing', async () => {
  const file = path.join(folder, 'roster.zip');
  const tables = {
    'classes.csv': 'sourcedId,title,classCode\nc1,Hull lofting,HL 210-A',
    'users.csv':
      'sourcedId,givenName,familyName,email\nu1,Tern,Ropewalk,tern@kittiwake.example\nu2,Skua,Marline,nonsense',
    'enrollments.csv': 'classSourcedId,userSourcedId,role\nc1,u1,student\nc1,u2,student',
  };
  writeFileSync(file, zipSync(Object.fromEntries(Object.entries(tables).map(([name, text]) => [name, strToU8(text)])))); // prettier-ignore
  await maren.open(`${pembit.pembitUrl}/courses`);
  await maren.clickOn(winter);
  await maren.unfoldAt('section[aria-labelledby="roster"] details');
  await maren.chooseFile('Package of rosters', file);
  await maren.sees('1 new, 0 changed, 0 as they are');
  await maren.sees('users.csv, line 3: “nonsense” is not an e-mail address.');
  await maren.click('button', 'Add 1');
  await maren.sees('Took over a roster: 1 new, 0 changed');
  await maren.sees('Nothing to take over: the roster is as this list has it.');
});

test('a plan is saved as an outline, and carried over from that file', async () => {
  await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
  const link = await maren.find('link', 'Save as an outline without dates');
  const address = new URL((await link.getAttribute('href'))!);
  const file = path.join(folder, 'outline.zip');
  const saved = await api.call('GET', address.pathname + address.search);
  expect(saved.headers.get('content-disposition')).toContain('HL 210 outline.zip');
  writeFileSync(file, Buffer.from(await saved.arrayBuffer()));
  await maren.open(`${pembit.pembitUrl}/carry-over?to=${next}`);
  await maren.chooseFile('or from a plan that was saved as a file', file);
  await maren.sees('HL 210 Hull lofting · outline');
  await maren.choose('Days are found', 'by teaching week and weekday');
  await maren.sees('Ice week lies on its day: put on the next open one');
  // The page that comes after it is slow: what was done is said there all the same.
  await maren.driver.executeScript(`const get = window.fetch;
    window.fetch = (what, how) => String(what).includes('/term?')
      ? new Promise((come) => setTimeout(() => come(get(what, how)), 6500)) : get(what, how);`);
  await maren.click('button', /^Carry \d+ over to HL 210/);
  await maren.sees('The term, week by week');
  await maren.sees(/Carried \d+ things over to HL 210/);
  await maren.click('button', 'Undo');
  await maren.sees('Undone');
});

test('a term is saved by the administrator and brought into an empty school', async () => {
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const page = await (await office.call('GET', '/school')).text();
  const term = /\/api\/terms\/[0-9a-f-]{36}\/plan/.exec(page)![0];
  const file = path.join(folder, 'term.zip');
  writeFileSync(file, Buffer.from(await (await office.call('GET', term)).arrayBuffer()));
  const empty = await startPembit({ PEMBIT_DEMO: '' });
  const folk = await newPerson();
  try {
    const account = { email: 'skua@ropewalk.example', password: 'a long enough password' };
    const own = {
      name: 'Spring 2028',
      startsOn: '2028-01-10',
      endsOn: '2028-04-28',
      tzid: 'America/Halifax',
    };
    await anonymous(empty.pembitUrl).call('POST', '/api/setup', { ...account, name: 'Skua Marline', school: 'Ropewalk School', locale: 'en-GB', weekStart: 1, term: own, code: setupCode(empty) }); // prettier-ignore
    await folk.open(`${empty.pembitUrl}/sign-in`);
    await folk.type('E-mail address', account.email);
    await folk.type('Password', account.password);
    await folk.click('button', 'Sign in');
    await folk.sees('Ropewalk School');
    await folk.open(`${empty.pembitUrl}/school`);
    await folk.unfoldAt('section[aria-labelledby="courses"] details:last-of-type');
    await folk.chooseFile('Plan package', file);
    await folk.sees(/HL 210 Hull lofting: \d+ classes, \d+ planned/);
    await folk.click('button', /^Bring in \d+ courses/);
    await folk.sees(/Brought in \d+ courses of/);
    await folk.open(`${empty.pembitUrl}/everything`);
    await folk.type('Search', 'half-breadth');
    await folk.sees('Half-breadth plan');
    await folk.open(`${empty.pembitUrl}/office-hours`);
    await folk.sees('Office hours');
  } finally {
    await folk.quit();
    await empty.stop();
  }
});
