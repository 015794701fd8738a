/** Kills a server at random moments: the database must be sound, every acknowledged write there, no half of one. */
import type { Reader } from '../../src/data/reader';
import { openDatabase, select } from '../../src/data/database';
import type { Api } from '../../tests/support/api';
import { signedIn } from '../../tests/support/api';
import { freePort, startServer } from '../serverProcess';
import type { Report } from './random';

/** What was acknowledged: entries by title with the day they were last put on, deleted ones without; times taken by whom. */
const days = new Map<string, string | undefined>();
const unsure = new Map<string, Set<string | undefined>>();
const taken = new Set<string>();
/** The last reading of the outside calendar that was served, and that was acknowledged. */
let served = 0;
let readings = 0;
let writes = 0;
let unacknowledged = 0;
const broken: string[] = [];

const CLOSED = ['2026-11-19', '2026-11-23', '2026-11-27'];
let random: () => number;

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

/** Changes the district's days and has them read, over and over; the number in each title says which reading it was. */
async function readCalendar(api: Api, id: string, standins: string): Promise<void> {
  for (;;) {
    const reading = ++served;
    const lines = CLOSED.map((date, i) => `${date} Reading ${reading}, ${i} (no school)`);
    try {
      await fetch(`${standins}/district`, { method: 'POST', body: new URLSearchParams({ days: lines.join('\n') }), redirect: 'manual' });
    } catch {
      return;
    }
    const done = await ask(api, 'POST', `/api/calendars/${id}/refresh`);
    if (!done) return void unacknowledged++;
    if (done.status >= 400 || done.body.failure) return void broken.push(`reading ${reading}: ${done.status} ${String(done.body.failure)}`);
    readings = reading;
    writes++;
  }
} // prettier-ignore

/** What is kept of a calendar is one reading, not older than the one acknowledged, and the days it closes are of the same. */
async function examineCalendar(reader: Reader, round: number): Promise<void> {
  const numbers = (texts: readonly string[]) => texts.flatMap((text) => [...text.matchAll(/Reading (\d+), \d/g)].map(([, n]) => Number(n)));
  const copies = await select<{ times: string }>(reader, "SELECT times FROM calendar_copies WHERE times LIKE '%Reading %'");
  const closed = await select<{ name: string }>(reader, "SELECT name FROM closures WHERE name LIKE 'Reading %'");
  const [kept, closing] = [numbers(copies.map(({ times }) => times)), numbers(closed.map(({ name }) => name))];
  const all = new Set([...kept, ...closing]);
  if (all.size > 1 || kept.length !== closing.length || kept.length % CLOSED.length !== 0)
    broken.push(`round ${round}: half a calendar, ${kept.join()} kept and ${closing.join()} closed`);
  if (readings > 0 && !([...all][0]! >= readings)) broken.push(`round ${round}: reading ${readings} is lost, ${[...all].join()} is there`);
} // prettier-ignore

/** What the folder holds after a kill, against what was acknowledged. */
async function examine(folder: string, round: number): Promise<void> {
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
  await examineCalendar(reader, round);
  if (twice && twice.n > 0) broken.push(`round ${round}: ${twice.n} seats are taken twice`);
  await sequelize.close();
} // prettier-ignore

type Given = Readonly<{ folder: string; random: () => number; rounds: number }>;

export async function killOverAndOver({ folder, random: numbers, rounds }: Given): Promise<Report> {
  random = numbers;
  const began = Date.now();
  // The outside calendar keeps its address from one start to the next.
  const standins = String(await freePort());
  for (let round = 1; round <= rounds; round++) {
    const server = await startServer({ PEMBIT_DATA: folder, PEMBIT_STANDINS_PORT: standins });
    const standinsUrl = `http://127.0.0.1:${standins}`;
    const [maren, tobias, ivo, signe, office] = await Promise.all(
      ['maren', 'tobias', 'ivo', 'signe', 'office'].map((name) => signedIn(server.url, `${name}@kittiwake.example`)),
    );
    const sequelize = openDatabase(folder);
    const reader = { sequelize };
    const [course] = await select<{ id: string }>(reader, "SELECT id FROM courses WHERE code = 'HL 210'");
    const [district] = await select<{ id: string }>(reader, "SELECT id FROM calendars WHERE name = 'Breakwater District'");
    const slots = (await select<{ id: string }>(reader, 'SELECT id FROM slots')).map(({ id }) => id);
    await sequelize.close();
    readings = 0;
    const load = [
      edit(maren!, course!.id, round, 1), edit(tobias!, course!.id, round, 2), book(ivo!, slots), book(signe!, slots),
      readCalendar(office!, district!.id, standinsUrl),
    ];
    await new Promise((resolve) => setTimeout(resolve, 50 + random() * 2500));
    await server.kill();
    await Promise.all(load);
    await examine(folder, round);
    if (process.stderr.isTTY) process.stderr.write(`\r${round} of ${rounds}, ${writes} writes, ${broken.length} faults`);
  }
  return {
    sentence: `Killed ${rounds} times in ${Math.round((Date.now() - began) / 1000)} s: ${writes} acknowledged writes, ${served} readings of a calendar among them, ${unacknowledged} cut off in the middle, ${broken.length} lost, halved or damaged.`,
    faults: broken,
  };
} // prettier-ignore
