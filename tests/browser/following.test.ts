import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { SectionId } from '@/core/ids';
import { demoId } from '@/server/demo/demoIds';
import { STUDENTS } from '@/server/demo/people';
import type { ServerProcess } from '../../scripts/serverProcess';
import { freePort, startServer } from '../../scripts/serverProcess';
import { signedIn } from '../support/api';

/** The example that mirrors a course elsewhere, over a restart, the clock and a change of section. */
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-follow-'));
const copyFile = path.join(folder, 'copy.json');
const HL = demoId('HL 210');
const B = demoId<SectionId>('HL 210 B');
let pembit: ServerProcess;
let token = '';
const PORT = freePort();
const start = async (now: string) => {
  pembit = await startServer({
    PEMBIT_DATA: path.join(folder, 'data'),
    PORT: String(await PORT),
    PEMBIT_NOW: now,
  });
};
beforeAll(() => start('2026-10-13T12:00:00Z'), 60_000);
afterAll(async () => {
  await pembit?.stop();
  rmSync(folder, { recursive: true, force: true });
});

type Copy = Readonly<Record<'entries' | 'meetings', Readonly<Record<string, { title?: string }>>>>;
/** Runs the example for so many answers, and reads its copy. */
async function mirror(steps: number): Promise<Copy> {
  const env = { ...process.env, PEMBIT_URL: pembit.url, PEMBIT_TOKEN: token, PEMBIT_COPY: copyFile, PEMBIT_STEPS: String(steps), PEMBIT_WAIT: '20' };
  await promisify(execFile)(process.execPath, ['examples/mirror.mjs'], { env });
  return JSON.parse(readFileSync(copyFile, 'utf8')) as Copy;
} // prettier-ignore
const titles = ({ entries }: Copy) => Object.values(entries).map(({ title }) => title);

/** The lists themselves, by UID. */
async function lists(): Promise<Copy> {
  const list = async (name: string) => {
    const answer = await fetch(`${pembit.url}/api/${name}?limit=500`, { headers: { authorization: `Bearer ${token}` } });
    const { items } = (await answer.json()) as { items: { uid: string; title?: string }[] };
    return Object.fromEntries(items.map((item) => [item.uid, item]));
  };
  return { entries: await list('entries'), meetings: await list('meetings') };
} // prettier-ignore
const inStep = async (copy: Copy) => {
  const { entries, meetings } = await lists();
  expect({ entries: copy.entries, meetings: copy.meetings }).toEqual({ entries, meetings });
};

test('a copy of what a student sees stays in step', async () => {
  const ivo = await signedIn(pembit.url, 'ivo@kittiwake.example');
  const made = await ivo.call('POST', '/api/tokens', { name: 'Mirror', scopes: ['read:plan'] });
  token = ((await made.json()) as { token: string }).token;
  await inStep(await mirror(0));
  const maren = await signedIn(pembit.url, 'maren@kittiwake.example');
  const plan = (json: object) => maren.call('POST', '/api/entries', { kind: 'announcement', on: '2026-10-20', audience: [{ course: HL }], ...json }); // prettier-ignore
  // It waits for what happens.
  const waiting = mirror(1);
  await plan({ title: 'Bring gloves' });
  expect(titles(await waiting)).toContain('Bring gloves');
  await plan({ title: 'Shown at eleven', visibility: { kind: 'from', from: '2026-10-13T11:00' } });
  await plan({ title: 'For B', audience: [{ course: HL, sections: [B] }] });

  // Down for two hours: the clock has shown something meanwhile.
  await pembit.stop();
  await start('2026-10-13T14:30:00Z');
  const shown = await mirror(1);
  expect(titles(shown)).toEqual(expect.arrayContaining(['Bring gloves', 'Shown at eleven']));
  expect(titles(shown)).not.toContain('For B');
  await inStep(shown);

  const again = await signedIn(pembit.url, 'maren@kittiwake.example');
  expect(
    (await again.call('POST', `/api/courses/${HL}/roster/move`, { people: [STUDENTS[0]!.id], section: B }))
      .status,
  ).toBe(200);
  const moved = await mirror(1);
  expect(titles(moved)).toContain('For B');
  await inStep(moved);
}, 120_000);
