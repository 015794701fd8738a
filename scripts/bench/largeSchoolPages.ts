/** A large school served: cold start, memory, and pages with 20 people at once. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readConfig } from '../../src/server/config';
import { connectTo } from '../../src/data/database';
import { COMMAND } from '../../src/data/serving';
import { allOutlets } from '../../src/data/outlets/outlets';
import { outletUrl } from '../../src/server/outlets/publish';
import { move } from '../../src/server/moving/move';
import { openPembit } from '../../src/server/openPembit';
import type { Api } from '../../tests/support/api';
import { signedInAs } from '../../tests/support/api';
import type { Postgres } from '../postgres.mjs';
import { startPostgres } from '../postgres.mjs';
import { startServer } from '../serverProcess';
import type { Sizes } from './largeSchool';
import { LARGE_PASSWORD, fillLargeSchool, instructorEmail, studentEmail } from './largeSchool';
import type { Figure } from './table';
import { shareOf } from './table';

const PEOPLE = 20;
const INSTRUCTORS = 4;
const PAUSE_MS = 5000;
const FEEDS = 100;
const MINUTE_MS = 60_000;

const PAGES = {
  instructor: ['/term', '/week', '/everything', '/checks', '/office-hours', '/publish', '/load', '/courses', '/materials'],
  student: ['/next', '/month', '/term', '/sign-up', '/subscribe', '/materials', '/day/2026-10-15'],
} as const; // prettier-ignore

/** What a process holds in memory now, and the most it ever held, in MB. */
function memoryOf(pid: number): { now: number; peak: number } {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const kb = (name: string) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0);
  return { now: kb('VmRSS') / 1024, peak: kb('VmHWM') / 1024 };
}

type Took = Readonly<{ page: string; ms: number }>;
async function visit(api: Api, page: string): Promise<Took> {
  const began = performance.now();
  const answer = await api.call('GET', page);
  await answer.text();
  if (answer.status !== 200) throw new Error(`${page}: ${answer.status}`);
  return { page, ms: performance.now() - began };
}

type Serving = Readonly<{ postgres?: boolean; processes?: 1 | 2 }>;

/** Serves the large school: from a file, or moved to a PostgreSQL as careful as an operator's; by one process or two, each person by one of them. */
export async function largeSchoolFigures(
  sizes: Sizes,
  { postgres = false, processes = 1 }: Serving = {},
): Promise<Figure[]> {
  const name = postgres ? `large school on PostgreSQL, ${processes === 1 ? 'one process' : 'two processes'}` : 'large school'; // prettier-ignore
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-large-'));
  const pembit = await openPembit(readConfig({ PEMBIT_DATA: folder, PEMBIT_NOW: '2026-10-13T12:00:00Z' }));
  await fillLargeSchool(pembit, sizes);
  const feeds = (await allOutlets(pembit)).filter(({ kind }) => kind === 'feed');
  const addresses = feeds.slice(0, FEEDS).map((feed) => new URL(outletUrl(pembit, feed)).pathname);
  await pembit.close();
  const database = postgres ? await startPostgres() : undefined;
  const moved = database && (await moveInto(database, folder));
  const env = { PEMBIT_DATA: folder, PEMBIT_DEMO: '', PEMBIT_STANDINS: '', ...(moved ? { PEMBIT_DATABASE_URL: moved.url } : {}) }; // prettier-ignore
  const server = await startServer(env);
  const servers = processes === 1 ? [server] : [server, await startServer(env)];
  try {
    const people = await Promise.all(
      Array.from({ length: PEOPLE }, async (_, i) => {
        const staff = i < INSTRUCTORS;
        const email = staff ? instructorEmail(i * 7) : studentEmail(i * 31);
        return { api: await signedInAs(servers[i % servers.length]!.url, { email, password: LARGE_PASSWORD }), pages: staff ? PAGES.instructor : PAGES.student }; // prettier-ignore
      }),
    );
    const atRest = memoryOf(server.pid);
    // One look at each page by each kind of person: what is compiled and read for the first time is said by itself.
    const cold: Took[] = [];
    for (const { api, pages } of [people[0]!, people[PEOPLE - 1]!])
      for (const page of pages) cold.push(await visit(api, page));

    // Everybody's first page at the same moment: the plans of all of them are read.
    const first = await Promise.all(people.map(({ api, pages }) => visit(api, pages[0])));

    const took: Took[] = [];
    const until = performance.now() + MINUTE_MS;
    await Promise.all(
      people.map(async ({ api, pages }, i) => {
        await new Promise((resolve) => setTimeout(resolve, (i / PEOPLE) * PAUSE_MS));
        for (let n = i; performance.now() < until; n++) {
          took.push(await visit(api, pages[n % pages.length]!));
          await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
        }
      }),
    );
    let answered = 0;
    const end = performance.now() + 15_000;
    await Promise.all(
      people.map(async ({ api, pages }, i) => {
        for (let n = i; performance.now() < end; n++, answered++) await visit(api, pages[n % pages.length]!);
      }),
    );
    const memory = servers.map(({ pid }) => memoryOf(pid).peak);

    // Feeds that nobody has read since the start, one after the other: what calendars of many people cost.
    const unread = performance.now();
    for (const [i, address] of addresses.entries()) await (await fetch(servers[i % servers.length]!.url + address)).text();
    const eachFeed = (performance.now() - unread) / addresses.length;
    const named = (list: readonly Took[], page: string) => list.filter((t) => t.page === page).map(({ ms }) => ms);
    const slowest = [...new Set(took.map(({ page }) => page))].map((page) => ({ page, ms: shareOf(named(took, page), 0.95) })).sort((a, b) => b.ms - a.ms); // prettier-ignore
    const ms = took.map((t) => t.ms);
    return [
      ...(moved ? [{ what: `${name}: ${moved.rows} rows moved there and compared`, value: moved.ms, unit: 'ms' }] : []),
      { what: `${name}: from the start of the process to its first answer`, value: server.readyMs, unit: 'ms', goal: { most: 5000 } },
      { what: `${name}: ${ms.length} pages, ${PEOPLE} people at once, each pausing 5 s, 95 % within`, value: shareOf(ms, 0.95), unit: 'ms', goal: { most: 300 } },
      { what: '  in the median', value: shareOf(ms, 0.5), unit: 'ms' },
      ...slowest.slice(0, 4).map(({ page, ms: value }) => ({ what: `  ${page}, 95 % within`, value, unit: 'ms' })),
      { what: `${name}: the first page of ${PEOPLE} people at the same moment, the last of them after`, value: Math.max(...first.map((t) => t.ms)), unit: 'ms' },
      { what: '  the slowest first look at a page', value: Math.max(...cold.map((t) => t.ms)), unit: 'ms' },
      { what: `${name}: a feed that was not read since the start, ${addresses.length} one after the other`, value: eachFeed, unit: 'ms' },
      { what: `${name}: pages a second when nobody pauses`, value: answered / 15, unit: '/s' },
      { what: `${name}: memory after the start`, value: atRest.now, unit: 'MB' },
      { what: `${name}: memory of a process at its peak`, value: Math.max(...memory), unit: 'MB', goal: { most: 1000 } },
    ];
  } finally {
    await Promise.all(servers.map((one) => one.stop()));
    await database?.stop();
    rmSync(folder, { recursive: true, force: true });
  }
} // prettier-ignore

/** Moves a folder's school into a database of its own. */
async function moveInto(
  postgres: Postgres,
  folder: string,
): Promise<Readonly<{ url: string; rows: number; ms: number }>> {
  const server = connectTo(postgres.url('postgres'), COMMAND);
  await server.query('CREATE DATABASE pembit');
  await server.close();
  const url = postgres.url('pembit');
  const began = performance.now();
  const { rows } = await move({ folder, url, direction: 'there', at: new Date().toISOString(), report: () => undefined }); // prettier-ignore
  return { url, rows, ms: performance.now() - began };
}
