/** Two processes over one PostgreSQL: either is killed, or all connections of the database, while both are written through. */
import { setTimeout as sleep } from 'node:timers/promises';
import type { Sequelize } from 'sequelize';
import { connectTo, select } from '../../src/data/database';
import { COMMAND } from '../../src/data/serving';
import { readConfig } from '../../src/server/config';
import { openPembit } from '../../src/server/openPembit';
import { cookieName, openSession } from '../../src/server/session/session';
import { STUDENTS } from '../../src/server/demo/people';
import type { Api } from '../../tests/support/api';
import { anonymous, signedIn } from '../../tests/support/api';
import { startPostgres } from '../postgres.mjs';
import type { ServerProcess } from '../serverProcess';
import { freePort, startServer } from '../serverProcess';
import type { Report } from './random';

const RUSHES = 10;
const AT_ONCE = 200;
const STALE_SAMPLES = 300;

type Given = Readonly<{ folder: string; random: () => number; rounds: number; database?: string }>;

/** One of the two, under the same address whenever it is started anew. */
type Process = { readonly port: string; readonly standins: string; server: ServerProcess };

/** Titles and bookings that were acknowledged, and those of which nobody knows. */
type Ledger = Readonly<{
  days: Map<string, string>;
  unsure: Map<string, Set<string | undefined>>;
  taken: Set<string>;
  unsureTaken: Set<string>;
  faults: string[];
  counts: { acknowledged: number; cutOff: number };
}>;

const dayOf = (n: number) => `2026-11-${String(1 + (n % 28)).padStart(2, '0')}`;

type Done = Readonly<{ status: number; body: Record<string, unknown> }>;
/** Undefined where it is not known whether it was done: the process or the database was gone. */
async function ask(api: Api, method: string, route: string, body?: unknown): Promise<Done | undefined> {
  try {
    const answer = await api.call(method, route, body);
    if (answer.status >= 500) return undefined;
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  } catch {
    return undefined;
  }
}

/** Plans entries and moves them, until it is told to end. */
async function edit(
  apiOf: () => Api,
  course: string,
  who: string,
  { ledger, random, over }: Load,
): Promise<void> {
  const { days, unsure, faults, counts } = ledger;
  for (let n = 0; !over(); n++) {
    const title = `${who} ${n}`;
    const day = dayOf(Math.floor(random() * 28));
    const planned = await ask(apiOf(), 'POST', '/api/entries', { kind: 'announcement', title, on: day, audience: [{ course }] }); // prettier-ignore
    if (!planned) {
      unsure.set(title, new Set([undefined, day]));
      counts.cutOff++;
      await sleep(20);
      continue;
    }
    if (planned.status !== 201) return void faults.push(`${title}: ${planned.status}`);
    counts.acknowledged++;
    days.set(title, day);
    const moved = dayOf(Math.floor(random() * 28));
    const by = (Date.parse(moved) - Date.parse(day)) / 86_400_000;
    const shifted = await ask(apiOf(), 'POST', `/api/entries/${String(planned.body.id)}/shift`, { days: by, along: false }); // prettier-ignore
    if (!shifted) {
      unsure.set(title, new Set([day, moved]));
      days.delete(title);
      counts.cutOff++;
    } else if (shifted.status < 400) {
      counts.acknowledged++;
      days.set(title, moved);
    }
  }
}

/** Takes times and gives some back. */
async function book(
  apiOf: () => Api,
  slots: readonly string[],
  { ledger, random, over }: Load,
): Promise<void> {
  const { taken, unsureTaken, counts } = ledger;
  while (!over()) {
    const slot = slots[Math.floor(random() * slots.length)]!;
    const done = await ask(apiOf(), 'POST', `/api/slots/${slot}/booking`, { note: '' });
    if (!done) counts.cutOff++;
    if (!done || done.status >= 400) {
      await sleep(10);
      continue;
    }
    counts.acknowledged++;
    const booking = String(done.body.booking);
    taken.add(booking);
    if (random() < 0.3) continue;
    const back = await ask(apiOf(), 'DELETE', `/api/bookings/${booking}`);
    if (!back) {
      taken.delete(booking);
      unsureTaken.add(booking);
      counts.cutOff++;
    } else if (back.status < 400) {
      taken.delete(booking);
      counts.acknowledged++;
    }
  }
}

type Load = Readonly<{ ledger: Ledger; random: () => number; over: () => boolean }>;

/** What is there against what was acknowledged. */
async function examine(sequelize: Sequelize, ledger: Ledger, round: string): Promise<void> {
  const reader = { sequelize };
  const rows = await select<{ title: string; start_local: string; parts: number }>(
    reader,
    `SELECT title, start_local, (SELECT COUNT(*) FROM entry_audiences WHERE entry_id = entries.id) AS parts
     FROM entries WHERE title LIKE 'Round %'`,
  );
  const there = new Map(rows.map((row) => [row.title, row.start_local]));
  const broken = (what: string) => ledger.faults.push(`${round}: ${what}`);
  for (const { title, parts } of rows) if (parts !== 1) broken(`half of ${title}`);
  for (const [title, day] of ledger.days) if (there.get(title) !== day) broken(`${title} is ${there.get(title)}, not ${day}`); // prettier-ignore
  for (const [title, maybe] of ledger.unsure)
    if (!maybe.has(there.get(title))) broken(`${title} is ${there.get(title)}`);
  ledger.unsure.clear();
  const bookings = new Set(
    (await select<{ id: string }>(reader, 'SELECT id FROM bookings')).map(({ id }) => id),
  );
  for (const id of ledger.taken) if (!bookings.has(id)) broken(`the time ${id} is lost`);
  const [over] = await select<{ n: number }>(
    reader,
    `SELECT COUNT(*) AS n FROM (SELECT slot_id FROM bookings JOIN slots ON slots.id = slot_id GROUP BY slot_id, slots.seats
     HAVING COUNT(*) > slots.seats) AS oversold`,
  );
  if (over!.n > 0) broken(`${over!.n} times are oversold`);
}

const percentile = (values: readonly number[], part: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? 0;

/** How long after a write was acknowledged by one process the other knows of it, in milliseconds; what asking takes is in it. */
async function staleness(writer: Api, [here, there]: readonly [Api, Api], course: string): Promise<number[]> {
  const version = async (api: Api) =>
    ((await (await api.call('GET', '/api/version')).json()) as { version: number }).version;
  const waits: number[] = [];
  for (let n = 0; n < STALE_SAMPLES; n++) {
    await writer.call('POST', '/api/entries', { kind: 'announcement', title: `Stale ${n}`, on: '2026-11-20', audience: [{ course }] }); // prettier-ignore
    const began = performance.now();
    const committed = await version(here);
    while ((await version(there)) < committed);
    waits.push(performance.now() - began);
  }
  return waits;
}

export async function killProcesses({ folder, random, rounds, database }: Given): Promise<Report> {
  const own = database === undefined ? await startPostgres() : undefined;
  const url = database ?? (await newDatabaseIn(own!));
  const began = Date.now();
  const env = { PEMBIT_DATA: folder, PEMBIT_DATABASE_URL: url, PEMBIT_LAZY: '1' };
  const start = (port: string, standins: string) =>
    startServer({ ...env, PORT: port, PEMBIT_STANDINS_PORT: standins });
  const processes: Process[] = [];
  for (let i = 0; i < 2; i++) {
    const [port, standins] = [String(await freePort()), String(await freePort())];
    processes.push({ port, standins, server: await start(port, standins) });
  }
  const sequelize = connectTo(url, COMMAND);
  const [course] = await select<{ id: string }>(
    { sequelize },
    `SELECT id FROM courses WHERE code = 'HL 210'`,
  );
  const slots = (await select<{ id: string }>({ sequelize }, 'SELECT id FROM slots ORDER BY start_at')).map(
    ({ id }) => id,
  );
  const at = (i: number) => processes[i]!.server.url;
  // A session is everybody's: whichever process is asked knows it.
  const third = await openPembit(readConfig({ ...env, PEMBIT_NOW: '2026-10-13T12:00:00Z' }));
  const tokens = await Promise.all(STUDENTS.map(({ id }) => openSession(third, id)));
  await third.close();
  const cookie = (token: string) => `${cookieName(at(0))}=${token}`;
  const ledger: Ledger = { days: new Map(), unsure: new Map(), taken: new Set(), unsureTaken: new Set(), faults: [], counts: { acknowledged: 0, cutOff: 0 } }; // prettier-ignore

  // Who rushes for one seat, over both.
  let rushed = 0;
  for (const slot of slots.slice(-RUSHES)) {
    const answers = await Promise.all(
      Array.from({ length: AT_ONCE }, (_, i) =>
        anonymous(at(i % 2), cookie(tokens[i % tokens.length]!)).call('POST', `/api/slots/${slot}/booking`, {
          note: '',
        }),
      ),
    );
    const won = answers.filter(({ status }) => status === 201).length;
    const [{ n } = { n: -1 }] = await select<{ n: number }>({ sequelize }, 'SELECT COUNT(*) AS n FROM bookings WHERE slot_id = :slot', { slot }); // prettier-ignore
    if (won !== 1 || n !== 1)
      ledger.faults.push(`the rush for ${slot}: ${won} were told that it is theirs, ${n} have it`);
    rushed += answers.length;
  }

  const waits = await staleness(
    await signedIn(at(0), 'maren@kittiwake.example'),
    [anonymous(at(0)), anonymous(at(1))],
    course!.id,
  );

  const cookies = await Promise.all(
    ['maren', 'tobias'].map((name) => cookieOf(at(0), `${name}@kittiwake.example`)),
  );
  const kills = { process: 0, connections: 0 };
  for (let round = 1; round <= rounds; round++) {
    let isOver = false;
    const load: Load = { ledger, random, over: () => isOver };
    const [a, b] = [0, 1].map((i) => (who: string) => () => anonymous(at(i), who)) as [(who: string) => () => Api, (who: string) => () => Api]; // prettier-ignore
    const working = [
      edit(a(cookies[0]!), course!.id, `Round ${round} of 1,`, load),
      edit(b(cookies[1]!), course!.id, `Round ${round} of 2,`, load),
      ...[0, 1, 2, 3].map((i) => book((i % 2 ? a : b)(cookie(tokens[i]!)), slots.slice(0, -RUSHES), load)),
    ];
    await sleep(50 + random() * 600);
    const dice = random();
    if (dice < 0.5) {
      kills.connections++;
      await select(
        { sequelize },
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'pembit' AND datname = current_database()`,
      );
    }
    if (dice > 0.25) {
      kills.process++;
      const victim = processes[random() < 0.5 ? 0 : 1]!;
      await victim.server.kill();
      await sleep(100);
      isOver = true;
      await Promise.all(working);
      victim.server = await start(victim.port, victim.standins);
    } else {
      await sleep(400);
      isOver = true;
      await Promise.all(working);
    }
    await examine(sequelize, ledger, `round ${round}`);
    if (process.stderr.isTTY) process.stderr.write(`\r${round} of ${rounds}, ${ledger.counts.acknowledged} writes, ${ledger.faults.length} faults`); // prettier-ignore
  }
  for (const { server } of processes) await server.stop();
  await sequelize.close();
  await own?.stop();
  const ms = (part: number) => percentile(waits, part).toFixed(1);
  return {
    sentence: `Two processes on PostgreSQL for ${Math.round((Date.now() - began) / 1000)} s: in ${rounds} rounds ${kills.process} kills of a process and ${kills.connections} of all connections; ${ledger.counts.acknowledged} acknowledged writes, ${ledger.counts.cutOff} cut off in the middle; ${rushed} requests for ${RUSHES} seats; what one process wrote the other knew after ${ms(0.5)} ms (median of ${waits.length}), ${ms(0.99)} ms (99 %); ${ledger.faults.length} lost, halved or oversold.`,
    faults: ledger.faults,
  };
}

/** Signs in, and answers the cookie: any process knows it. */
async function cookieOf(url: string, email: string): Promise<string> {
  const answer = await anonymous(url).call('POST', '/api/session', { email, password: 'pembit-demo-2026' });
  return answer.headers.get('set-cookie')!.split(';')[0]!;
}

async function newDatabaseIn(postgres: Awaited<ReturnType<typeof startPostgres>>): Promise<string> {
  const server = connectTo(postgres.url('postgres'), COMMAND);
  await server.query('CREATE DATABASE pembit');
  await server.close();
  return postgres.url('pembit');
}
