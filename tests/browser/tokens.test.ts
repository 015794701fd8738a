import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { capabilityOf } from '@/core/tokens/capabilityOf';
import { demoId } from '@/server/demo/demoIds';
import type { Api } from '../support/api';
import { anonymous, signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Tokens: made in the interface, used by a program, ended by the office. */
let pembit: RunningPembit;
let maren: Person, office: Person;
let api: Api;
const HL = demoId('HL 210');
const PAGE = 'https://timetable.example';
beforeAll(async () => {
  pembit = await startPembit();
  [maren, office] = await Promise.all([newPerson(), newPerson()]);
  for (const [person, name] of [[maren, 'Maren Toft'], [office, 'School office']] as const) {
    await person.open(pembit.pembitUrl);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
  api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
}, 120_000); // prettier-ignore
afterAll(async () => {
  await Promise.all([maren, office].map((person) => person?.quit()));
  await pembit?.stop();
});

/** A program with a token. */
const bearing = (token: string) => {
  const nobody = anonymous(pembit.pembitUrl);
  return (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
    nobody.call(method, path, body, { authorization: `Bearer ${token}`, ...headers });
};
const made = async (json: object) =>
  (await (await api.call('POST', '/api/tokens', { name: 'T', ...json })).json()) as { id: string; token: string }; // prettier-ignore
const entry = { kind: 'event', title: 'By a program', start: '2026-10-20T12:00', audience: [{ course: HL }] };

test('an instructor makes a token that is shown once; a program plans with it; the office ends it', async () => {
  await maren.open(`${pembit.pembitUrl}/account`);
  await maren.click('link', 'Access for scripts and other systems');
  await maren.sees('No tokens.');
  await maren.click('button', 'Make the token');
  await maren.sees('Say what it is for.');
  await maren.sees('Choose what it may read or write.');
  await maren.type('What is it for?', 'Timetable program');
  await maren.choose('The plan: events, work, classes, closures, checks, load', 'Read and write');
  await maren.click('button', 'Make the token');
  await maren.sees('This is shown once.');
  await maren.sees('Timetable program read and write the plan not used yet');
  const token = await (await maren.find('field', 'Token: Timetable program')).getAttribute('value');
  const call = bearing(token!);
  expect((await call('POST', '/api/entries', entry)).status).toBe(201);
  expect(((await (await call('GET', '/api/entries?limit=500')).json()) as { items: { title: string }[] }).items.map(({ title }) => title)).toContain('By a program'); // prettier-ignore
  await maren.open(`${pembit.pembitUrl}/tokens`);
  await maren.sees('last used Tue 13 Oct');
  await maren.doesNotSee('This is shown once.');
  await office.open(`${pembit.pembitUrl}/tokens`);
  await office.sees('of Maren Toft');
  await office.click('button', 'End the token Timetable program');
  await office.sees('its next request is refused');
  const refused = await call('GET', '/api/entries');
  expect([refused.status, refused.headers.get('www-authenticate')]).toEqual([
    401,
    'Bearer error="invalid_token"',
  ]);
});

describe('every route of the API', () => {
  type Described = Readonly<{ paths: Readonly<Record<string, Readonly<Record<string, unknown>>>> }>;
  const { paths } = JSON.parse(readFileSync('src/api/openapi.json/description.json', 'utf8')) as Described;
  const routes = Object.entries(paths).flatMap(([template, operations]) =>
    ['get', 'post', 'put', 'delete']
      .filter((method) => method in operations)
      .map((method) => [method.toUpperCase(), template.replace(/\{[^}]+\}/g, crypto.randomUUID())] as const),
  );

  test('refuses a token that is none, though a cookie came with it', async () => {
    for (const [method, path] of routes) {
      const { status } = await api.call(method, path, method === 'GET' ? undefined : {}, { authorization: `Bearer pembit_${'x'.repeat(43)}` }); // prettier-ignore
      expect([method, path, status]).toEqual([method, path, 401]);
    }
  });

  test('refuses a token that is not good for it', async () => {
    const call = bearing((await made({ scopes: ['read:hours'] })).token);
    for (const [method, path] of routes) {
      const needs = capabilityOf(method, path.replace('/api/', ''));
      const { status } = await call(method, path, method === 'GET' ? undefined : {});
      if (needs?.capability === 'any') continue;
      if (needs?.capability === 'hours' && !needs.write) expect([path, status]).not.toEqual([path, 403]);
      else expect([method, path, status]).toEqual([method, path, 403]);
    }
  });
});

test('pages of an origin may call with a token that is open to it, and never with a cookie', async () => {
  const preflight = (origin: string) => anonymous(pembit.pembitUrl).call('OPTIONS', '/api/entries', undefined, { origin, 'access-control-request-method': 'POST' }); // prettier-ignore
  expect((await preflight(PAGE)).status).toBe(403);
  const { token } = await made({ scopes: ['write:plan'], origins: [PAGE] });
  const asked = await preflight(PAGE);
  expect([asked.status, asked.headers.get('access-control-allow-origin')]).toEqual([204, PAGE]);
  expect((await preflight('https://elsewhere.example')).status).toBe(403);
  const answer = await bearing(token)('POST', '/api/entries', entry, { origin: PAGE });
  expect([answer.status, answer.headers.get('access-control-allow-origin')]).toEqual([201, PAGE]);
  expect(answer.headers.get('access-control-allow-credentials')).toBeNull();
  expect(
    (await bearing(token)('GET', '/api/entries', undefined, { origin: 'https://elsewhere.example' })).status,
  ).toBe(403);
  const byCookie = await api.call('POST', '/api/entries', entry, { origin: PAGE });
  expect([byCookie.status, byCookie.headers.get('access-control-allow-origin')]).toEqual([403, null]);
});

test('in one course, and without what belongs to another part', async () => {
  const { token } = await made({ scopes: ['read:plan'], courses: [HL] });
  const call = bearing(token);
  const list = async (path: string) => ((await (await call('GET', path)).json()) as { items: { id: string; kind?: string; courses?: string[] }[] }).items; // prettier-ignore
  expect((await list('/api/courses')).map(({ id }) => id)).toEqual([HL]);
  const kinds = new Set(((await (await call('GET', '/api/occurrences?from=2026-09-08&to=2026-12-18')).json()) as { kind: string }[]).map(({ kind }) => kind)); // prettier-ignore
  expect(['class', 'due'].every((kind) => kinds.has(kind))).toBe(true);
  expect(['note', 'times', 'booking'].some((kind) => kinds.has(kind))).toBe(false);
  expect((await call('POST', '/api/entries', entry)).status).toBe(403);
  expect((await call('GET', '/api/sheets')).status).toBe(403);
});

test('the same request by the same key is done once; a field that nobody knows is named; limits say what is left', async () => {
  const { token } = await made({ scopes: ['write:plan', 'write:hours'] });
  const call = bearing(token);
  const once = { 'idempotency-key': '"8e03978e"' };
  const [first, second] = [await call('POST', '/api/entries', entry, once), await call('POST', '/api/entries', entry, once)];
  expect([first.status, second.status, second.headers.get('pembit-replayed')]).toEqual([201, 201, 'true']);
  expect(await second.json()).toEqual(await first.json());
  expect(second.headers.get('pembit-history')).toBe(first.headers.get('pembit-history'));
  expect((await call('POST', '/api/entries', { ...entry, title: 'Another' }, once)).status).toBe(422);
  const slip = await call('POST', '/api/entries', { ...entry, plaice: 'The loft', audience: [{ course: HL, section: 'A' }] });
  expect(slip.status).toBe(400);
  expect(((await slip.json()) as { errors: { field: string }[] }).errors.map(({ field }) => field).sort()).toEqual(['audience.0.section', 'plaice']);
  const limited = await call('POST', '/api/links/test', { url: 'https://kittiwake.example/' });
  expect(limited.status).toBe(403);
  const tried = await api.call('POST', '/api/links/test', { url: 'https://kittiwake.example/' });
  expect(tried.headers.get('ratelimit-policy')).toBe('"linkTest";q=20;w=60');
  expect(tried.headers.get('ratelimit')).toMatch(/^"linkTest";r=19;t=\d+$/);
}); // prettier-ignore
