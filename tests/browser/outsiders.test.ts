import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { openDatabase, select } from '@/data/database';
import type { Api } from '../support/api';
import { anonymous, signedIn } from '../support/api';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Those who are near a course and not in it: staff of another one, and a student who has left. */
let pembit: RunningPembit;
let maren: Api;
let grete: Api;
let former: Api;
const ids: Record<string, string> = {};

beforeAll(async () => {
  pembit = await startPembit();
  const sequelize = openDatabase(pembit.folder);
  const one = async (sql: string) => (await select<{ id: string }>({ sequelize }, sql))[0]!.id;
  ids.course = await one("SELECT id FROM courses WHERE code = 'HL 210'");
  const inCourse = `(SELECT entry_id FROM entry_audiences WHERE course_id = '${ids.course}')`;
  ids.entry = await one(`SELECT id FROM entries WHERE title = 'Half-breadth plan' AND id IN ${inCourse}`);
  ids.meeting = await one(`SELECT meetings.id FROM meetings JOIN sections ON sections.id = section_id WHERE course_id = '${ids.course}'`); // prettier-ignore
  ids.material = await one(`SELECT id FROM materials WHERE course_id = '${ids.course}' AND kind = 'page'`);
  ids.sheet = await one(`SELECT sheet_id AS id FROM sheet_audiences WHERE course_id = '${ids.course}'`);
  ids.slot = await one(`SELECT id FROM slots WHERE sheet_id = '${ids.sheet}' AND start_at > ${Date.parse('2026-10-20')}`); // prettier-ignore
  ids.person = await one("SELECT id FROM people WHERE email = 'signe@kittiwake.example'");
  await sequelize.close();
  [maren, grete, former] = (await Promise.all(
    ['maren', 'grete', 'signe'].map((name) => signedIn(pembit.pembitUrl, `${name}@kittiwake.example`)),
  )) as [Api, Api, Api];
}, 60_000);
afterAll(() => pembit?.stop());

type Ask = readonly [method: string, path: (id: Readonly<Record<string, string>>) => string, body?: object];
const ASKS: readonly Ask[] = [
  ['GET', ({ entry }) => `/api/entries/${entry}`],
  ['GET', ({ entry }) => `/e/${entry}`],
  ['GET', ({ entry }) => `/api/entries/${entry}/history`],
  ['PUT', ({ entry }) => `/api/entries/${entry}/done`, { done: true }],
  ['PUT', ({ entry }) => `/api/entries/${entry}/cancel`, { reason: 'x' }],
  ['DELETE', ({ entry }) => `/api/entries/${entry}`],
  ['GET', ({ meeting }) => `/api/meetings/${meeting}`],
  ['DELETE', ({ meeting }) => `/api/meetings/${meeting}/plan`],
  ['GET', ({ material }) => `/m/${material}`],
  ['DELETE', ({ material }) => `/api/materials/${material}`],
  ['GET', ({ course }) => `/api/courses/${course}/plan`],
  ['GET', ({ course }) => `/api/load/days?course=${course}`],
  ['POST', ({ course }) => `/api/courses/${course}/roster/move`, { people: [randomUUID()] }],
  ['DELETE', ({ sheet }) => `/api/sheets/${sheet}`],
  ['POST', ({ slot }) => `/api/slots/${slot}/booking`, { note: '' }],
  ['POST', ({ slot }) => `/api/slots/${slot}/waiting`],
];

/** What somebody is answered about things of the course, beside things that are not there. */
async function answers(api: Api): Promise<string[]> {
  const nowhere = Object.fromEntries(Object.keys(ids).map((name) => [name, randomUUID()]));
  const said: string[] = [];
  for (const [method, path, body] of ASKS) {
    const [real, none] = [
      await api.call(method, path(ids), body),
      await api.call(method, path(nowhere), body),
    ];
    said.push(`${method} ${path(ids).replace(/[0-9a-f-]{36}/g, 'ID')}: ${real.status}, ${none.status}`); // prettier-ignore
  }
  return said;
}

test('staff of another course are told the same of what is not theirs as of what is not there', async () => {
  for (const line of await answers(grete)) expect(line).toMatch(/: 404, 404$/);
  expect((await maren.call('GET', `/api/entries/${ids.entry}`)).status).toBe(200);
});

test('a student sees the course until the day they leave it, and nothing of it afterwards', async () => {
  const feedOf = async () => {
    const page = await (await former.call('GET', '/subscribe')).text();
    return /http:\/\/localhost:\d+\/feeds\/[\w-]+\.ics/.exec(page)![0];
  };
  const feed = await feedOf();
  const occurrences = async () =>
    (await former.call('GET', '/api/occurrences?from=2026-09-08&to=2026-12-18')).text();
  expect((await former.call('GET', `/api/entries/${ids.entry}`)).status).toBe(200);
  expect(await occurrences()).toContain('Half-breadth plan');
  expect(await (await fetch(feed)).text()).toContain('Half-breadth plan');

  const left = await maren.call('POST', `/api/courses/${ids.course}/roster/move`, { people: [ids.person] });
  expect(left.status).toBe(200);
  for (const line of await answers(former)) expect(line).toMatch(/: 404, 404$/);
  expect(await occurrences()).not.toContain('Half-breadth plan');
  expect(await occurrences()).toContain('NV 140');
  // What the feed had is there for a while as cancelled, so that it leaves the calendars that hold it.
  const events = (await (await fetch(feed)).text()).split('BEGIN:VEVENT');
  for (const event of events.filter((text) => text.includes('Half-breadth plan')))
    expect(event).toContain('STATUS:CANCELLED');
});

test('an address that was deleted says so, and opens nothing', async () => {
  const outlets = (await (await maren.call('GET', '/api/outlets')).json()) as { id: string; kind: string; audience: string; url: string }[]; // prettier-ignore
  const nobody = anonymous('');
  for (const kind of ['feed', 'embed']) {
    const outlet = outlets.find((o) => o.kind === kind && o.audience !== 'personal')!;
    expect((await nobody.call('GET', outlet.url)).status).toBe(200);
    expect((await grete.call('DELETE', `/api/outlets/${outlet.id}`)).status).toBe(404);
    expect((await maren.call('DELETE', `/api/outlets/${outlet.id}`)).status).toBe(200);
    const gone = await nobody.call('GET', outlet.url);
    expect(gone.status).toBe(410);
    expect(await gone.text()).not.toContain('Half-breadth plan');
  }
});
