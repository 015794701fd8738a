/**
 * npm run torture -- [--rounds 100] [--seed N]: kills a server at random moments under a mixed load, over and over, on one
 * data folder of its own; after each kill the database must be sound, every acknowledged write there, no half of one. Loopback
 * only. Prints a table, and ends with 1 where anything was lost.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { openDatabase, select } from '../src/data/database';
import type { Api } from '../tests/support/api';
import { signedIn } from '../tests/support/api';
import { startServer } from './serverProcess';

const { values } = parseArgs({ options: { rounds: { type: 'string', default: '100' }, seed: { type: 'string', default: '1' } } }); // prettier-ignore
const rounds = Number(values.rounds);

/** Numbers between 0 and 1 that are the same for the same seed (mulberry32). */
function randomOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
const random = randomOf(Number(values.seed));
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-torture-'));

/** What was acknowledged: entries by title with the day they were last put on, deleted ones without; times taken by whom. */
const days = new Map<string, string | undefined>();
const unsure = new Map<string, Set<string | undefined>>();
const taken = new Set<string>();
let writes = 0;
let unacknowledged = 0;
const broken: string[] = [];

type Done = Readonly<{ status: number; body: Record<string, unknown> }>;
async function ask(api: Api, method: string, route: string, body?: unknown): Promise<Done | undefined> {
  try {
    const answer = await api.call(method, route, body);
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  } catch {
    return undefined; // the server is gone, and whether it has written is not known
  }
}

const ids = new Map<string, string>();
const dayOf = (n: number) => `2026-11-${String(1 + (n % 28)).padStart(2, '0')}`;

/** Plans, moves and deletes, one after the other, until the server is gone. */
async function edit(api: Api, course: string, round: number, who: number): Promise<void> {
  for (let n = 0; ; n++) {
    const title = `Round ${round} of ${who}, ${n}`;
    const day = dayOf(Math.floor(random() * 28));
    unsure.set(title, new Set([undefined, day]));
    const planned = await ask(api, 'POST', '/api/entries', { kind: 'announcement', title, on: day, audience: [{ course }] });
    if (!planned) return void unacknowledged++;
    if (planned.status >= 400) return void broken.push(`${title}: ${planned.status}`);
    writes++;
    days.set(title, day);
    unsure.delete(title);
    ids.set(title, String(planned.body.id));
    const known = [...days.keys()];
    const other = known[Math.floor(random() * known.length)]!;
    const id = ids.get(other);
    // Each writer touches its own, so that what it was told last is what must be there.
    if (!id || days.get(other) === undefined || !other.includes(` of ${who},`)) continue;
    const was = days.get(other);
    if (random() < 0.25) {
      unsure.set(other, new Set([was, undefined]));
      const gone = await ask(api, 'DELETE', `/api/entries/${id}`);
      if (!gone) return void unacknowledged++;
      if (gone.status < 400) days.set(other, undefined);
    } else {
      const moved = dayOf(Math.floor(random() * 28));
      unsure.set(other, new Set([was, moved]));
      const by = (Date.parse(moved) - Date.parse(was!)) / 86_400_000;
      const done = await ask(api, 'POST', `/api/entries/${id}/shift`, { days: by, along: false });
      if (!done) return void unacknowledged++;
      if (done.status < 400) days.set(other, moved);
    }
    writes++;
    unsure.delete(other);
  }
} // prettier-ignore

/** Takes times and gives every second one back, until the server is gone. */
async function book(api: Api, slots: readonly string[]): Promise<void> {
  for (;;) {
    const slot = slots[Math.floor(random() * slots.length)]!;
    const done = await ask(api, 'POST', `/api/slots/${slot}/booking`, { note: '' });
    if (!done) return void unacknowledged++;
    if (done.status >= 400) {
      await new Promise((resolve) => setTimeout(resolve, 5));
      continue;
    }
    writes++;
    const booking = String(done.body.booking);
    taken.add(booking);
    if (random() < 0.5) continue;
    const back = await ask(api, 'DELETE', `/api/bookings/${booking}`);
    if (!back) {
      taken.delete(booking); // not known
      return void unacknowledged++;
    }
    if (back.status < 400) taken.delete(booking);
    writes++;
  }
}

/** What the folder holds after a kill, against what was acknowledged. */
async function examine(round: number): Promise<void> {
  const sequelize = openDatabase(folder);
  const reader = { sequelize };
  const [sound] = await select<{ integrity_check: string }>(reader, 'PRAGMA integrity_check');
  if (sound?.integrity_check !== 'ok') broken.push(`round ${round}: ${JSON.stringify(sound)}`);
  const foreign = await select(reader, 'PRAGMA foreign_key_check');
  if (foreign.length > 0) broken.push(`round ${round}: ${foreign.length} broken references`);
  const rows = await select<{ title: string; start_local: string; parts: number }>(
    reader,
    `SELECT title, start_local, (SELECT COUNT(*) FROM entry_audiences WHERE entry_id = entries.id) AS parts
     FROM entries WHERE title LIKE 'Round %'`,
  );
  const there = new Map(rows.map((row) => [row.title, row]));
  for (const { title, parts } of rows) if (parts !== 1) broken.push(`round ${round}: half of ${title}`);
  for (const [title, day] of days) {
    const maybe = unsure.get(title);
    const found = there.get(title)?.start_local;
    if (maybe ? !maybe.has(found) : found !== day) broken.push(`round ${round}: ${title} is ${found}, not ${day}`);
    // From now on what is there is what is known.
    if (maybe) days.set(title, found);
  }
  for (const [title, maybe] of unsure) if (!days.has(title) && !maybe.has(there.get(title)?.start_local)) broken.push(`round ${round}: ${title}`);
  unsure.clear();
  const bookings = new Set((await select<{ id: string }>(reader, 'SELECT id FROM bookings')).map(({ id }) => id));
  for (const id of taken) if (!bookings.has(id)) broken.push(`round ${round}: the time ${id} is lost`);
  const [twice] = await select<{ n: number }>(reader, 'SELECT COUNT(*) AS n FROM (SELECT 1 FROM bookings GROUP BY slot_id, seat HAVING COUNT(*) > 1)');
  if (twice && twice.n > 0) broken.push(`round ${round}: ${twice.n} seats are taken twice`);
  await sequelize.close();
} // prettier-ignore

const began = Date.now();
for (let round = 1; round <= rounds; round++) {
  const server = await startServer({ PEMBIT_DATA: folder });
  const [maren, tobias, ivo, signe] = await Promise.all(
    ['maren', 'tobias', 'ivo', 'signe'].map((name) => signedIn(server.url, `${name}@kittiwake.example`)),
  );
  const sequelize = openDatabase(folder);
  const [course] = await select<{ id: string }>(
    { sequelize },
    "SELECT id FROM courses WHERE code = 'HL 210'",
  );
  const slots = await select<{ id: string }>({ sequelize }, 'SELECT id FROM slots');
  await sequelize.close();
  const free = slots.map(({ id }) => id);
  const load = [edit(maren!, course!.id, round, 1), edit(tobias!, course!.id, round, 2), book(ivo!, free), book(signe!, free)]; // prettier-ignore
  await new Promise((resolve) => setTimeout(resolve, 50 + random() * 2500));
  await server.kill();
  await Promise.all(load);
  await examine(round);
  if (process.stderr.isTTY)
    process.stderr.write(`\r${round} of ${rounds}, ${writes} writes, ${broken.length} faults`);
}
rmSync(folder, { recursive: true, force: true });
console.log(
  `\nKilled ${rounds} times in ${Math.round((Date.now() - began) / 1000)} s: ${writes} acknowledged writes, ${unacknowledged} cut off in the middle, ${broken.length} lost, halved or damaged.`,
);
for (const line of broken.slice(0, 50)) console.log(`  ${line}`);
process.exit(broken.length > 0 ? 1 : 0); // prettier-ignore
