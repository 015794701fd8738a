import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoId } from '@/server/demo/demoIds';
import { MAREN } from '@/server/demo/people';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** What staff write to students: narrowed by a condition, looked at by name, kept with what it is about. */
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
  await maren?.quit();
  await pembit?.stop();
});

test('a letter to section B, without a time this week: seen by name first, kept on a refresh, sent once', async () => {
  await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
  await maren.click('link', 'Write to students');
  await maren.click('field', 'A');
  await maren.choose('Only those', 'without a time this week');
  await maren.type('Subject', 'Come by');
  await maren.type('Text', 'There are times left on Wednesday.');
  await maren.driver.navigate().refresh();
  await maren.sees('Nothing has been written to these students yet.');
  expect(await (await maren.find('field', 'Subject')).getAttribute('value')).toBe('Come by');
  await maren.click('field', 'A');
  await maren.choose('Only those', 'without a time this week');
  await maren.click('button', 'See whom it reaches');
  await maren.sees(/It reaches \d+ students: .*section B of HL, without a time this week/);
  await maren.click('button', /^Write to \d+ students$/);
  await maren.sees(/Wrote to \d+ students: Come by/);
  await maren.sees(/Come by .*Maren Toft · \d+ students: .*section B/);
  expect(await (await maren.find('field', 'Subject')).getAttribute('value')).toBe('');
});

test('from an entry that asks who is coming, to those who have not answered', async () => {
  const staff = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const added = await staff.call('POST', '/api/entries', {
    kind: 'event',
    title: 'Slipway visit',
    start: '2026-10-21T15:00',
    coming: {},
    audience: [{ course: demoId('HL 210') }],
  });
  const { id } = (await added.json()) as { id: string };
  const ivo = await signedIn(pembit.pembitUrl, 'ivo@kittiwake.example');
  expect((await ivo.call('PUT', `/api/entries/${id}/reply`, { answer: 'coming' })).status).toBe(200);
  await maren.open(`${pembit.pembitUrl}/write?entry=${id}`);
  await maren.sees('About: Slipway visit');
  await maren.choose('Only those', 'who said that they come');
  await maren.type('Subject', 'Boots');
  await maren.type('Text', 'It is muddy there.');
  await maren.click('button', 'See whom it reaches');
  await maren.sees('It reaches 1 student:');
  await maren.sees('Ivo Saltmarsh');
  await maren.click('button', 'Write to 1 student');
  await maren.sees('Wrote to 1 student: Boots');
  await maren.open(`${pembit.standinsUrl}/mailbox?to=ivo%40kittiwake.example`);
  await maren.driver.wait(async () => {
    await maren.driver.navigate().refresh();
    return (await maren.text()).includes('It is muddy there.');
  }, 30_000);
  await maren.sees(`/e/${id}`);
});

test('a letter carries its own end: one click, from anywhere, signed in or not', async () => {
  const ivo = await signedIn(pembit.pembitUrl, 'ivo@kittiwake.example');
  const { items } = (await (await ivo.call('GET', '/api/slots?limit=200')).json()) as { items: { id: string; start: string }[] };
  const taken = await Promise.all(items.filter(({ start }) => start > '2026-10-14').slice(0, 8).map(({ id }) => ivo.call('POST', `/api/slots/${id}/booking`, {})));
  expect(taken.some(({ ok }) => ok)).toBe(true);
  await maren.open(`${pembit.standinsUrl}/mailbox?to=ivo%40kittiwake.example`);
  const link = await maren.driver.wait(async () => {
    await maren.driver.navigate().refresh();
    const [found] = await maren.driver.findElements({ css: 'a[href*="/api/unsubscribe/"]' });
    return found && (await found.getAttribute('href'));
  }, 30_000);
  await maren.open(link!);
  await maren.sees('You would get no more letters about times that you take or give back.');
  await maren.click('button', 'End these letters');
  await maren.sees('They have ended.');
  expect(await (await ivo.call('GET', '/api/account')).json()).toMatchObject({ letters: { times: 'never', near: 'now' } });
  // As a mail program does it (RFC 8058): without a cookie, from no page or from one of another site.
  const body = 'List-Unsubscribe=One-Click';
  const headers = { 'content-type': 'application/x-www-form-urlencoded' };
  const elsewhere: Record<string, string> = { origin: 'https://mail.example', 'sec-fetch-site': 'cross-site' };
  for (const from of [{}, elsewhere])
    expect((await fetch(link!, { method: 'POST', body, headers: { ...headers, ...from } })).status).toBe(200);
  expect((await fetch(link!.replace('.times.', '.near.'), { method: 'POST', body, headers })).status).toBe(404);
}); // prettier-ignore

test('to a course of a coming term, whichever is looked at; what is not there is not another course', async () => {
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' });
  const course = await made('/api/courses', { term, instructor: MAREN.id, code: 'SP 300', title: 'Spars', tag: 'SP', color: 'teal', sections: [{ name: 'A', week: 'Mon 9-10' }] });
  await maren.open(`${pembit.pembitUrl}/write?course=${course}`);
  await maren.find('field', /Spars/);
  await maren.click('button', 'See whom it reaches');
  await maren.sees('Nobody: no student of these meets that.');
  await maren.open(`${pembit.pembitUrl}/write?entry=${course}`);
  await maren.sees('Nothing here for you');
}); // prettier-ignore
