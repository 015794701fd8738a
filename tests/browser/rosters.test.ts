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

/** The school's lists in a folder: read by the operator's command while the server runs, held back, taken over by the office. */
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-lists-'));
let pembit: RunningPembit;
let office: Person;
beforeAll(async () => {
  pembit = await startPembit({ PEMBIT_ROSTERS: folder });
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

test('lists are read by a command; one that would take many away waits for the office', async () => {
  leave(12);
  expect(await byCommand()).toBe('HL 210: 12 new.\n');
  leave(2);
  expect(await byCommand()).toBe('HL 210: 10 of 12 would be gone. Nothing was changed: somebody should look first.\n'); // prettier-ignore
  await office.open(`${pembit.pembitUrl}/school`);
  await office.sees('HL 210: 10 of 12 would be gone.');
  await office.unfold('Earlier readings');
  await office.sees('HL 210: 12 new.');
  await office.click('button', 'Take over the list of HL 210 all the same');
  await office.sees('HL 210: 10 missing, still there.');
  leave(12);
  await office.click('button', 'Read the lists now');
  await office.sees('1 course is as its list says.');
}, 120_000);
