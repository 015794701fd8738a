/** Everybody at once, bodies without an end, and undo by people who have lost their rights. */
import { request } from 'node:http';
import { openDatabase, select } from '../../src/data/database';
import { demoId } from '../../src/server/demo/demoIds';
import { STUDENTS } from '../../src/server/demo/people';
import type { Api } from '../../tests/support/api';
import { anonymous, signedIn } from '../../tests/support/api';
import { startServer } from '../serverProcess';
import type { Report } from './random';

const PASSWORD = 'pembit-demo-2026';
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** The longest that something takes to be answered while work goes on, in milliseconds. */
async function longestWhile(work: Promise<unknown>, ask: () => Promise<unknown>): Promise<number> {
  let going = true;
  const end = () => (going = false);
  void work.then(end, end);
  let longest = 0;
  while (going) {
    const began = performance.now();
    await ask();
    longest = Math.max(longest, performance.now() - began);
    await pause(20);
  }
  return longest;
}

/** Signs in; whoever is told to come back comes back when they are told. */
async function signIn(base: string, email: string, password: string, from: string): Promise<number> {
  for (;;) {
    const answer = await anonymous(base).call('POST', '/api/session', { email, password }, { 'x-forwarded-for': from }); // prettier-ignore
    if (answer.status !== 503) return answer.status;
    await pause(Number(answer.headers.get('retry-after')) * 1000);
  }
}

/** Sends a body without a length until the server has had enough. Answers its status, or that it closed. */
function endless(base: string, route: string, megabytes: number): Promise<number | 'closed'> {
  return new Promise((done) => {
    const headers = { 'content-type': 'application/json', 'transfer-encoding': 'chunked' };
    const asked = request(`${base}${route}`, { method: 'POST', headers, agent: false }, (answer) => {
      answer.resume();
      done(answer.statusCode ?? 0);
    });
    asked.on('error', () => setTimeout(() => done('closed'), 50));
    const chunk = Buffer.alloc(1024 * 1024, 0x20);
    let sent = 0;
    const more = () => {
      while (sent < megabytes && !asked.destroyed) {
        sent += 1;
        if (!asked.write(chunk)) return void asked.once('drain', more);
      }
      asked.end();
    };
    more();
  });
}

/** The times of the course's sheets, taken or not. */
async function slotsOf(folder: string, course: string): Promise<string[]> {
  const sequelize = openDatabase(folder);
  try {
    const rows = await select<{ id: string }>(
      { sequelize },
      'SELECT id FROM slots WHERE sheet_id IN (SELECT sheet_id FROM sheet_audiences WHERE course_id = :course) ORDER BY id',
      { course },
    );
    return rows.map(({ id }) => id);
  } finally {
    await sequelize.close();
  }
}

/** Takes the first of the times, from a random one on, that can be taken, and gives it back. Answers the act of giving it back. */
async function takeAndGiveBack(api: Api, slots: readonly string[], from: number): Promise<string | null> {
  for (let i = 0; i < slots.length; i++) {
    const taken = await api.call('POST', `/api/slots/${slots[(from + i) % slots.length]}/booking`, {
      note: '',
    });
    if (!taken.ok) continue;
    const { booking } = (await taken.json()) as { booking: string };
    return (await api.call('DELETE', `/api/bookings/${booking}`)).headers.get('pembit-history');
  }
  return null;
}

/**
 * Students take a time and give it back, are taken off the roster, and undo, which would take the time again: nothing of
 * it may go through. Answers how often it was tried.
 */
async function undoWithoutRights({
  base,
  folder,
  random,
  rounds,
  faults,
}: Readonly<{
  base: string;
  folder: string;
  random: () => number;
  rounds: number;
  faults: string[];
}>): Promise<number> {
  // prettier-ignore
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const course = demoId<string>('HL 210');
  const slots = await slotsOf(folder, course);
  let tried = 0;
  for (let round = 0; round < rounds; round++) {
    const student = STUDENTS[Math.floor(random() * 30)]!;
    const api = await signedIn(base, student.email);
    const act = await takeAndGiveBack(api, slots, Math.floor(random() * slots.length));
    const left = await maren.call('POST', `/api/courses/${course}/roster/move`, { people: [student.id] });
    if (act && left.ok) {
      tried += 1;
      const undone = await api.call('POST', `/api/history/${act}/undo`);
      if (undone.ok) faults.push(`${student.name}, off the roster, took a time by undoing`);
    }
    const back = left.headers.get('pembit-history');
    if (back) await maren.call('POST', `/api/history/${back}/undo`);
  }
  return tried;
}

export async function pickTheLocks({
  folder,
  random,
  rounds,
}: Readonly<{ folder: string; random: () => number; rounds: number }>): Promise<Report> {
  const server = await startServer({
    PEMBIT_DATA: folder,
    PEMBIT_PROXY: '1',
    HOST: 'localhost',
    PEMBIT_LOG: 'debug',
  });
  const faults: string[] = [];
  try {
    while (!server.output().includes('All pages are loaded')) await pause(200);
    const base = server.url;
    const signe = await signedIn(base, 'signe@kittiwake.example');
    await signe.call('GET', '/next');
    const health = () => fetch(`${base}/api/health`);
    const victim = STUDENTS[0]!.email;
    const began = performance.now();
    const right = Promise.all(STUDENTS.slice(0, 40).map((student, i) => signIn(base, student.email, PASSWORD, `192.0.2.${i}`))).then((all) => ({ all, seconds: (performance.now() - began) / 1000 })); // prettier-ignore
    const wrong = Promise.all(
      Array.from({ length: 100 }, () => signIn(base, victim, 'wrong', '198.51.100.1')),
    );
    const others = Promise.all(
      Array.from({ length: 60 }, (_, i) => signIn(base, victim, 'wrong', `203.0.113.${i}`)),
    );
    const everybody = Promise.all([right, wrong, others]);
    const page = longestWhile(everybody, () => signe.call('GET', '/next').then((answer) => answer.text()));
    const longest = await longestWhile(everybody, health);
    const [{ all, seconds }, wrongs] = await everybody;
    if (all.some((status) => status !== 200)) faults.push('somebody’s right password was refused');
    if (wrongs.filter((status) => status === 401).length > 10) faults.push('more than ten wrong passwords of one address were tried'); // prettier-ignore
    const bodies = await Promise.all(['/api/session', '/api/joining', '/api/setup', '/api/entries'].map((route) => endless(base, route, 180))); // prettier-ignore
    if (bodies.some((status) => status !== 'closed' && status !== 413 && status !== 401)) faults.push(`bodies of 180 MB: ${bodies.join(', ')}`); // prettier-ignore
    if (!(await health()).ok) faults.push('the server does not answer after large bodies');
    const tried = await undoWithoutRights({ base, folder, random, rounds, faults });
    return {
      sentence: `200 sign-ins at once: a class of 40 was in after ${seconds.toFixed(1)} s; meanwhile health took ${Math.round(longest)} ms at most, a warm page ${Math.round(await page)} ms. Four bodies of 180 MB were refused. ${tried} undos by students off the roster were refused. ${faults.length === 0 ? 'Nothing gave way.' : 'Wrong:'}`,
      faults,
    };
  } finally {
    await server.stop();
  }
}
