/** Answers a second: feeds beside a bare server and a small route of Next's; times taken beside bare inserts. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { Agent, get } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sqlite3 from 'sqlite3';
import type { CourseId } from '../../src/core/ids';
import { openDatabase, select } from '../../src/data/database';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../../tests/support/api';
import type { Figure } from './table';

const READERS = 20;
const SECONDS = 3;

/** How many answers a second an address gives to 20 readers that ask again as soon as they are answered. */
async function rateOf(url: string, headers: Record<string, string> = {}): Promise<number> {
  const agent = new Agent({ keepAlive: true, maxSockets: READERS });
  const ask = () =>
    new Promise<void>((done, fail) => {
      get(url, { agent, headers }, (answer) => answer.resume().once('end', () => done())).once('error', fail);
    });
  const until = performance.now() + SECONDS * 1000;
  let answers = 0;
  const reader = async () => {
    for (; performance.now() < until; answers++) await ask();
  };
  await Promise.all(Array.from({ length: READERS }, reader));
  agent.destroy();
  return answers / SECONDS;
}

/** The rate of a bare server that sends so many bytes, in a process of its own, as Pembit is. */
async function bareRate(size: number): Promise<number> {
  const source = `const body = Buffer.alloc(${size}, 'x');
    require('node:http').createServer((_, r) => r.writeHead(200, { 'content-type': 'text/plain' }).end(body))
      .listen(0, '127.0.0.1', function () { console.log(this.address().port); });`;
  const child = spawn(process.execPath, ['-e', source], { stdio: ['ignore', 'pipe', 'inherit'] });
  const [port] = (await once(child.stdout, 'data')) as [Buffer];
  const rate = await rateOf(`http://127.0.0.1:${port.toString().trim()}/`);
  child.kill();
  return rate;
}

/** The feed of the demo's course, unchanged, and an embed. */
export async function outletFigures(base: string): Promise<Figure[]> {
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const list = (await (await maren.call('GET', '/api/outlets')).json()) as { kind: string; name: string; url: string }[]; // prettier-ignore
  const { url } = list.find(({ name }) => name === 'HL 210 Hull lofting')!;
  const embed = list.find(({ kind }) => kind === 'embed')!;
  const figures: Figure[] = [];
  const first = await fetch(url);
  const body = Buffer.from(await first.arrayBuffer());
  const floor = await bareRate(body.length);
  const etag = { 'if-none-match': first.headers.get('etag')! };
  const [full, unchanged, next] = [await rateOf(url), await rateOf(url, etag), await rateOf(`${base}/api/health`)]; // prettier-ignore
  const page = Buffer.from(await (await fetch(embed.url)).arrayBuffer());
  figures.push({ what: `an unchanged feed of ${body.length} bytes (200), beside bare node:http`, value: full, unit: '/s', floor, goal: { least: 0.4 } }); // prettier-ignore
  figures.push({ what: 'the same, asked with its ETag (304), beside bare node:http', value: unchanged, unit: '/s', floor, goal: { least: 0.4 } }); // prettier-ignore
  figures.push({ what: 'the same (200), beside a small route of Next’s', value: full, unit: '/s', floor: next, goal: { least: 5 } }); // prettier-ignore
  figures.push({ what: `an unchanged embed of ${page.length} bytes, beside bare node:http`, value: await rateOf(embed.url), unit: '/s', floor: await bareRate(page.length), goal: { least: 0.4 } }); // prettier-ignore
  return figures;
}

/** Inserts of one row, each in a transaction of its own, as durable as Pembit's. */
async function bareInserts(): Promise<number> {
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-bench-'));
  const database = new sqlite3.Database(path.join(folder, 'bare.sqlite'));
  const run = (sql: string) => new Promise<void>((done, fail) => database.run(sql, (error: Error | null) => (error ? fail(error) : done()))); // prettier-ignore
  await run('PRAGMA journal_mode = WAL');
  await run('PRAGMA synchronous = FULL');
  await run('CREATE TABLE bookings (id INTEGER PRIMARY KEY, slot TEXT, person TEXT, note TEXT)');
  const until = performance.now() + SECONDS * 1000;
  let inserts = 0;
  for (; performance.now() < until; inserts++) {
    await run('BEGIN IMMEDIATE');
    await run(`INSERT INTO bookings (slot, person, note) VALUES ('slot', 'person', 'note')`);
    await run('COMMIT');
  }
  await new Promise((closed) => database.close(closed));
  rmSync(folder, { recursive: true, force: true });
  return inserts / SECONDS;
}

/** Times taken one after the other, each with its letter, its history and its place in feeds; then all given back. */
export async function bookingFigures(base: string, folder: string): Promise<Figure> {
  const instructor = await signedIn(base, 'maren@kittiwake.example');
  const course = demoId<CourseId>('HL 210');
  const stretches = ['16', '17', '18', '19', '20'].map((n) => ({ date: `2026-11-${n}`, start: '06:00', end: '09:00' })); // prettier-ignore
  const offered = await instructor.call('POST', '/api/sheets', { title: 'Bench', audience: [{ course }], seats: 1, place: 'Loft', meetingLink: '', hosts: [], offering: { stretches, length: 15 }, rules: { perSheet: 1 } }); // prettier-ignore
  if (!offered.ok) throw new Error(await offered.text());
  const { id } = (await offered.json()) as { id: string };
  const sequelize = openDatabase(folder);
  const slots = (await select<{ id: string }>({ sequelize }, 'SELECT id FROM slots WHERE sheet_id = :id', { id })).map((row) => row.id); // prettier-ignore
  await sequelize.close();
  const student = await signedIn(base, 'ivo@kittiwake.example');
  const times: number[] = [];
  for (const slot of slots) {
    const began = performance.now();
    const answer = await student.call('POST', `/api/slots/${slot}/booking`, { note: '' });
    if (answer.status !== 201) continue;
    times.push(performance.now() - began);
    await student.call('DELETE', `/api/bookings/${((await answer.json()) as { booking: string }).booking}`);
  }
  if (times.length < 5) throw new Error(`Only ${times.length} times could be taken.`);
  const seconds = times.reduce((a, b) => a + b, 0) / 1000;
  return { what: 'times taken by one after the other, beside bare inserts into SQLite', value: times.length / seconds, unit: '/s', floor: await bareInserts() }; // prettier-ignore
}
