import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import ICAL from 'ical.js';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { RunningPembit } from './server';
import { setupCode, startPembit } from './server';

/**
 * A client made of the API's own description, by openapi-typescript, takes an empty school to a published term. That it fits is
 * checked by its types (`npm run types`); that they are so, by the server, which holds each answer to its description.
 */
let pembit: RunningPembit;
beforeAll(async () => {
  pembit = await startPembit({
    PEMBIT_CHECK_ANSWERS: '1',
    PEMBIT_DEMO: '0',
    PEMBIT_NOW: '2026-09-01T12:00:00Z',
  });
}, 60_000);
afterAll(() => pembit?.stop());

test('ten jobs by a generated client, from an empty school to a feed that another reads', async () => {
  const env = { ...process.env, PEMBIT_URL: pembit.pembitUrl, PEMBIT_SETUP_CODE: setupCode(pembit) };
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', 'examples/firstTerm.ts'], { env }); // prettier-ignore
  const { feed, entries } = JSON.parse(stdout) as { feed: string; entries: string[] };
  // Sent twice with one key, planned once.
  expect(entries).toEqual(['Eye splice']);
  const calendar = new ICAL.Component(ICAL.parse(await (await fetch(feed)).text()) as unknown[]);
  const events = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
  const days = (words: RegExp) => events.filter(({ summary }) => words.test(summary)).map(({ startDate }) => startDate.toString().slice(0, 10)).sort(); // prettier-ignore
  expect(days(/Eye splice/)).toEqual(['2026-10-15']);
  expect(days(/Knots that hold/)).toEqual(['2026-09-07', '2026-09-08']);
  // Nobody comes in the week of the break.
  expect(days(/RG/).filter((day) => day >= '2026-10-26' && day <= '2026-10-30')).toEqual([]);
}, 60_000);
