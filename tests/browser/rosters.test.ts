import { until } from 'selenium-webdriver';
import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** The school's lists: a folder read by the operator's command while the server runs; the school's system, held back, taken over by the office. */
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-lists-'));
let pembit: RunningPembit;
let office: Person;
beforeAll(async () => {
  pembit = await startPembit();
  office = await newPerson();
  await office.open(pembit.pembitUrl);
  await office.click('button', 'Sign in as School office');
  await office.find('link', /^Your account/);
}, 120_000);
afterAll(async () => {
  await office?.quit();
  await pembit?.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** Leaves a list of so many students of HL 210's section A. */
function leave(students: number): void {
  const ids = Array.from({ length: students }, (_, i) => `s${i}`);
  const write = (name: string, rows: readonly string[]) => writeFileSync(path.join(folder, name), rows.join('\n')); // prettier-ignore
  write('classes.csv', ['sourcedId,title,classCode', 'c1,Hull lofting,HL 210-A']);
  write('users.csv', ['sourcedId,givenName,familyName,email', ...ids.map((id) => `${id},Given,Strand,${id}@lists.example`)]); // prettier-ignore
  write('enrollments.csv', ['classSourcedId,userSourcedId,role', ...ids.map((id) => `c1,${id},student`)]);
}

async function byCommand(): Promise<string> {
  const env = { ...process.env, PEMBIT_DATA: pembit.folder, PORT: new URL(pembit.pembitUrl).port };
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', 'scripts/roster.ts', folder], { env }); // prettier-ignore
  return stdout;
}

test('lists are read by a command, and asked of the school’s system; what would take many away waits for the office', async () => {
  leave(12);
  expect(await byCommand()).toBe('HL 210: 12 new.\n');
  expect(await byCommand()).toBe('1 course is as its list says.\n');
  await office.open(`${pembit.standinsUrl}/school-system`);
  await office.sees('Stand-in: the simulated student records of a school.');
  const students = [0, 1].map((i) => `HL 210-A, s${i}, Given Strand, s${i}@lists.example`);
  await office.type('Who takes what: class, number, name, address, one a line', students.join('\n'));
  const form = await office.element('form');
  await office.click('button', 'Save');
  // What is saved is answered by the page anew: going elsewhere before would be overtaken by it.
  await office.driver.wait(until.stalenessOf(form), 20_000);
  await office.open(`${pembit.pembitUrl}/school`);
  await office.unfold('Earlier readings');
  await office.sees('HL 210: 12 new.');
  await office.click('button', 'Read the lists now');
  await office.sees('HL 210: 10 of 12 would be gone.');
  await office.click('button', 'Take over the list of HL 210 all the same');
  await office.sees('HL 210: 10 missing, still there.');
}, 120_000);
