import path from 'node:path';
import sqlite3 from 'sqlite3';
import type { RunningPembit } from '../browser/server';
import type { Api } from './api';
import { anonymous, signedIn } from './api';

/** How many students want one of 20 seats at once, through the real server, with give-backs and exchanges mixed in. */
export const STUDENTS = 200;

type Held = Readonly<{ id: string; slot_id: string; email: string; seat: number }>;
function bookingsOf(pembit: RunningPembit, sheet: string): Promise<Held[]> {
  const database = new sqlite3.Database(path.join(pembit.folder, 'pembit.sqlite'), sqlite3.OPEN_READONLY);
  const sql = `SELECT bookings.id, slot_id, email, seat FROM bookings JOIN people ON people.id = person_id
    JOIN slots ON slots.id = slot_id WHERE sheet_id = ?`;
  return new Promise((done, fail) => {
    database.all<Held>(sql, [sheet], (error, rows) => {
      database.close();
      if (error) fail(error);
      else done(rows);
    });
  });
}
function slotsOf(pembit: RunningPembit, sheet: string): Promise<string[]> {
  const database = new sqlite3.Database(path.join(pembit.folder, 'pembit.sqlite'), sqlite3.OPEN_READONLY);
  return new Promise((done, fail) => {
    database.all<{ id: string }>('SELECT id FROM slots WHERE sheet_id = ?', [sheet], (error, rows) => {
      database.close();
      if (error) fail(error);
      else done(rows.map((row) => row.id));
    });
  });
}

/** Students of the roster, each signed in through a link by mail: no password is needed, and none is hashed. */
async function students(pembit: RunningPembit, sheet: string): Promise<Map<string, Api>> {
  const emails = Array.from({ length: STUDENTS }, (_, i) => `storm${i}@kittiwake.example`);
  // Each from an address of their own: letters are limited by where they are asked for.
  for (const [i, email] of emails.entries())
    await anonymous(pembit.pembitUrl).call('POST', `/api/sheets/${sheet}/link`, { email }, { 'x-forwarded-for': `192.0.2.${i}` }); // prettier-ignore
  const links = new Map<string, string>();
  for (let round = 0; round < 120 && links.size < STUDENTS; round++) {
    await new Promise((wait) => setTimeout(wait, 1000));
    const page = await (await fetch(`${pembit.standinsUrl}/mailbox`)).text();
    for (const [, to = '', link = ''] of page.matchAll(
      /mailbox\?to=(storm\d+%40[^"]+)"(?:(?!<section>)[\s\S])*?link=([\w-]+)/g,
    ))
      links.set(decodeURIComponent(to), link);
  }
  const signedInOnes = new Map<string, Api>();
  for (const [email, link] of links) {
    const answer = await anonymous(pembit.pembitUrl).call('POST', `/api/sheets/${sheet}/session`, { link });
    signedInOnes.set(email, anonymous(pembit.pembitUrl, answer.headers.get('set-cookie')!.split(';')[0]));
  }
  return signedInOnes;
}

/** Lets them loose; answers what each was told, what the database holds in the end, and how long answers took. */
export async function runStorm(pembit: RunningPembit) {
  const maren = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const term = (await (await maren.call('GET', '/term')).text()).replaceAll('\\"', '"');
  const course = /"courses":\[\{"id":"([0-9a-f-]{36})","tag":"HL"/.exec(term)![1]!;
  const list = Array.from({ length: STUDENTS }, (_, i) => `Storm ${i},storm${i}@kittiwake.example,A`).join(
    '\n',
  );
  await maren.call('POST', `/api/courses/${course}/roster`, { list });
  const offering = { stretches: [{ date: '2026-11-28', start: '10:00', end: '15:00' }], length: 30 };
  const made = await maren.call('POST', '/api/sheets', { title: 'Storm', audience: [{ course }], seats: 2, rules: { perSheet: 2 }, offering }); // prettier-ignore
  const { id: sheet } = (await made.json()) as { id: string };
  const slots = await slotsOf(pembit, sheet);
  const people = await students(pembit, sheet);

  const waits: number[] = [];
  const refusals = new Map<string, number>();
  const statuses = new Set<number>();
  const sentences = new Set<string>();
  const lost: string[] = [];
  const any = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;
  const call = async (api: Api, ...args: Parameters<Api['call']>) => {
    const begun = performance.now();
    const answer = await api.call(...args);
    waits.push(performance.now() - begun);
    statuses.add(answer.status);
    const body = (await answer.json()) as { booking?: string; title?: string; type?: string };
    if (answer.status >= 400) {
      sentences.add(body.title!);
      refusals.set(body.type!, (refusals.get(body.type!) ?? 0) + 1);
    }
    return { ok: answer.status < 400, body };
  };
  /** What each student has been told they hold. */
  const told = new Map<string, Set<string>>();
  const storm = async (email: string, api: Api) => {
    const mine = new Map<string, string>();
    for (let turn = 0; turn < 4; turn++) {
      const [own] = mine.keys();
      const what = own ? any(['take', 'give', 'move'] as const) : 'take';
      const slot = any(slots);
      if (what === 'take') {
        const { ok, body } = await call(api, 'POST', `/api/slots/${slot}/booking`, {});
        if (ok) mine.set(body.booking!, slot);
      } else if (what === 'give') {
        const { ok } = await call(api, 'DELETE', `/api/bookings/${own}`);
        if (!ok) lost.push(`${email} could not give back ${own}`);
        mine.delete(own!);
      } else {
        const { ok } = await call(api, 'PUT', `/api/bookings/${own}/slot`, { slot });
        if (ok) mine.set(own!, slot);
      }
    }
    told.set(email, new Set([...mine].map(([booking, slot]) => `${booking} ${slot}`)));
  };
  await Promise.all([...people].map(([email, api]) => storm(email, api)));

  const sorted = waits.sort((a, b) => a - b);
  return {
    slots,
    people,
    told,
    statuses,
    sentences,
    lost,
    refusals,
    requests: waits.length,
    p99: Math.round(sorted[Math.floor(sorted.length * 0.99)]!),
    held: await bookingsOf(pembit, sheet),
  };
}
