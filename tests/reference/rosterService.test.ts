import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import { freePort } from '../../scripts/serverProcess';
import type { Pembit } from '@/server/pembit';
import { keepRosters } from '@/server/people/keepRosters';
import { askRosterService } from '@/server/people/askRosterService';
import { rosterOf } from '@/server/people/roster';
import type { Standins } from '@/standins/startStandins';
import { startStandins } from '@/standins/startStandins';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { newSchool } from '../support/school';

/** The school's system by OneRoster 1.2 REST: the stand-in that ships, and services that answer what they should not. */
let standins: Standins;
let school: School;
beforeAll(async () => {
  standins = await startStandins({ port: await freePort(), pembitUrl: 'http://localhost', now: () => 0 });
});
afterAll(() => standins.close());
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const service = (more: object = {}) => ({
  url: `${standins.url}/school-system/rostering/v1p2`,
  tokens: `${standins.url}/school-system/token`,
  client: 'pembit',
  secret: 'school-system-secret',
  ...more,
});
const ask = (more: object = {}) => askRosterService(school.pembit, service(more));
const put = (lines: readonly string[]) =>
  fetch(`${standins.url}/school-system`, { method: 'POST', body: new URLSearchParams({ students: lines.join('\n') }) }); // prettier-ignore

test('all pages are read, with client credentials', async () => {
  await put(Array.from({ length: 2300 }, (_, i) => `HL 210-${i % 2 ? 'A' : 'B'}, k${i}, Given Name${i}, k${i}@school.example`)); // prettier-ignore
  const { classes, faults } = valueOf(await ask());
  expect(classes.map(({ code, students }) => [code, students.length])).toEqual([['HL 210-B', 1150], ['HL 210-A', 1150]]); // prettier-ignore
  expect(faults).toEqual([]);
});

test('each night the rosters are as the service says', async () => {
  await put(['HL 210-A, k1, Runa Holm, runa@school.example']);
  await school.pembit.queue.write(({ sequelize, transaction }) =>
    sequelize.query('UPDATE people SET is_admin = 1 WHERE id = :id', { replacements: { id: school.stranger.person.id }, transaction }),
  );
  const pembit: Pembit = { ...school.pembit, config: { ...school.pembit.config, rosterService: service() } };
  await keepRosters(pembit);
  expect((await rosterOf(pembit, school.course)).map(({ name }) => name)).toContain('Runa Holm');
}); // prettier-ignore

test('a wrong secret, a service that is not there, and one that is not encrypted give no list', async () => {
  expect(await ask({ secret: 'wrong' })).toMatchObject({
    reason: 'badRequest',
    fields: [{ field: 'service' }],
  });
  expect(await ask({ tokens: `http://127.0.0.1:${await freePort()}/token` })).toMatchObject({ ok: false });
  expect(await ask({ tokens: 'http://school.example/token' })).toMatchObject({ ok: false });
});

test.each([
  ['an error', 500, '{}'],
  ['no JSON', 200, '<p>'],
  ['another kind', 200, '{"people": []}'],
  ['records without ids', 200, '{"classes": [{}]}'],
])('%s is no list', async (_, status, body) => {
  const server = createServer((_request, response) => response.writeHead(status, { 'content-type': 'application/json' }).end(body)); // prettier-ignore
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  expect(await ask({ url })).toMatchObject({ ok: false, fields: [{ field: 'service' }] });
  await new Promise((resolve) => server.close(resolve));
});
