import { spawnSync } from 'node:child_process';
import {
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { newSchool } from '../../tests/support/school';
import { outletInput } from '@/core/outlets/outletInput';
import { databaseFile, select } from '@/data/database';
import { newSecret } from './admin/newSecret';
import { letIn, letInCommand } from './admin/letIn';
import { backup } from './backup/backup';
import { readConfig } from './config';
import { openPembit } from './openPembit';
import { allGuardians } from '@/data/guardians/guardians';
import { guardianUrls } from './guardians/guardianAddress';
import { issueGuardian } from './guardians/issue';
import { createOutletAnswerer } from './outlets/answerOutlet';
import { outletsFor, publish } from './outlets/publish';
import { acceptInvitation } from './people/invitation';
import { signIn } from './session/session';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-open-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const config = (env: Record<string, string> = {}) =>
  readConfig({ PEMBIT_DATA: folder, PEMBIT_NOW: '2026-10-13T12:00:00Z', ...env });

/** A folder with an outlet in it. */
async function published(): Promise<string> {
  const school = await newSchool();
  await publish(school.pembit, school.instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [school.course] })); // prettier-ignore
  await issueGuardian(school.pembit, school.students[0]!, { name: 'Gran', shows: [] });
  await backup(school.pembit.config, path.join(folder, 'copy'), () => undefined);
  await school.close();
  return path.join(folder, 'copy');
}

test('a new folder has no copies of empty databases, and nothing in it is anybody else’s to read', async () => {
  const before = process.umask(0o022);
  try {
    mkdirSync(path.join(folder, 'files'));
    await (await openPembit(config())).close();
    expect(existsSync(path.join(folder, 'backups'))).toBe(false);
    const modes = readdirSync(folder).map((name) => {
      const stat = statSync(path.join(folder, name));
      return (stat.mode & 0o077) === 0;
    });
    expect(modes.every(Boolean)).toBe(true);
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    expect(statSync(databaseFile(folder)).mode & 0o777).toBe(0o600);
  } finally {
    process.umask(before);
  }
});

test.runIf(process.getuid?.() === 0)(
  'what root does in a folder of another account stays that account’s',
  async () => {
    chownSync(folder, 65534, 65534);
    await (await openPembit(config())).close();
    expect(readdirSync(folder).map((name) => [name, statSync(path.join(folder, name)).uid])).toEqual(
      ['lock.sqlite', 'pembit.sqlite', 'secret'].map((name) => [name, 65534]),
    );
  },
);

test('a database with published addresses and no secret does not start, until the loss is accepted', async () => {
  const copy = await published();
  rmSync(path.join(copy, 'secret'));
  const own = config({ PEMBIT_DATA: copy });
  await expect(openPembit(own)).rejects.toThrow('The secret file is missing');
  expect(existsSync(path.join(copy, 'secret'))).toBe(false);
  expect(await newSecret(own, '2026-10-13T12:00:00Z')).toBe(1);
  const pembit = await openPembit(own);
  const [row] = await select<{ owner_id: string; token_hash: string }>(pembit, 'SELECT * FROM outlets');
  const actor = { person: { id: row!.owner_id }, viewer: { staffOf: new Set((await select<{ id: string }>(pembit, 'SELECT id FROM courses')).map(({ id }) => id)) } }; // prettier-ignore
  const urls = (await outletsFor(pembit, actor as never)).map(({ url }) => url);
  // Its address is another one, and leads to it.
  expect(urls.some((url) => url.includes('/feeds/'))).toBe(true);
  const [guardian] = await allGuardians(pembit);
  const address = new URL(guardianUrls(pembit, guardian!).page).pathname;
  expect((await createOutletAnswerer(pembit)({ method: 'GET', path: address, query: '', headers: {} })).status).toBe(200); // prettier-ignore
  await pembit.close();
});

test('a folder that has lost its database, and one whose database is damaged, say what to do', async () => {
  mkdirSync(path.join(folder, 'files'));
  writeFileSync(path.join(folder, 'files', 'x'), 'x');
  await expect(openPembit(config())).rejects.toThrow('Restore a backup');
  rmSync(path.join(folder, 'files'), { recursive: true });
  writeFileSync(databaseFile(folder), 'This is no database at all, and was never one. '.repeat(100));
  await expect(openPembit(config())).rejects.toThrow('is damaged. Restore a backup');
});

test('whoever runs the server lets somebody in, whatever has locked them out', async () => {
  const pembit = await openPembit(config());
  try {
    const command = letInCommand.parse({
      email: 'Office@school.example',
      name: 'Office',
      until: Date.now() + 1000,
    });
    const { link } = await letIn(pembit, command);
    const token = link.split('/').at(-1)!;
    expect(await acceptInvitation(pembit, token, 'a long enough password')).toMatchObject({ ok: true });
    await pembit.sequelize.query(
      `INSERT INTO second_steps (person_id, secret, confirmed_at) SELECT id, 'x', 1 FROM people`,
    );
    await pembit.sequelize.query('UPDATE people SET is_admin = 0, deactivated_at = 1');
    await letIn(pembit, command);
    const credentials = { email: 'office@school.example', password: 'a long enough password' };
    expect(await signIn(pembit, credentials)).toMatchObject({
      ok: true,
      value: { person: { isAdmin: true } },
    });
  } finally {
    await pembit.close();
  }
});

test('a folder that another process holds is refused, and free once that process is killed', async () => {
  const holder = `
    const sqlite3 = require('sqlite3');
    const db = new sqlite3.Database(${JSON.stringify(path.join(folder, 'lock.sqlite'))}, () =>
      db.exec('PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE', () => { console.log('held'); setInterval(() => {}, 1000); }));`;
  // A process of its own, in a process namespace of its own where that can be made: no id of it means anything here.
  const unshare = spawnSync('unshare', ['--pid', '--fork', 'true']).status === 0;
  const [command, ...args] = [...(unshare ? ['unshare', '--pid', '--fork', '--kill-child'] : []), process.execPath, '-e', holder]; // prettier-ignore
  const { spawn } = await import('node:child_process');
  const child = spawn(command!, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  try {
    await new Promise((resolve) => child.stdout.once('data', resolve));
    await expect(openPembit(config())).rejects.toThrow('already serves the data folder');
  } finally {
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  }
  await expect.poll(() => openPembit(config()).then((pembit) => pembit.close().then(() => 'opened'), () => 'held'), { timeout: 5000 }).toBe('opened'); // prettier-ignore
});
