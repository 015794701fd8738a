import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { openDatabase, select } from './database';
import { isLocked, lockFolder } from './folderLock';
import { migrate } from './migrate';
import { foundations } from './migrations/0001-foundations';
import { TABLES } from './rows';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-migrate-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('an empty folder gets every table, and a second start changes nothing', async () => {
  const sequelize = openDatabase(folder);
  expect((await migrate(sequelize, folder, '2026-10-13T12:00:00Z')).applied.length).toBeGreaterThan(0);
  expect(await migrate(sequelize, folder, '2026-10-13T12:00:00Z')).toEqual({ applied: [], backups: [] });
  const tables = await select<{ name: string }>(
    { sequelize },
    `SELECT name FROM sqlite_master WHERE type = 'table'`,
  );
  expect(tables.map((t) => t.name)).toEqual(expect.arrayContaining([...TABLES]));
  await sequelize.close();
});

test('both kinds of connection enforce foreign keys', async () => {
  const sequelize = openDatabase(folder);
  await migrate(sequelize, folder, '2026-10-13T12:00:00Z');
  const insert = `INSERT INTO links (id, entry_id, position, url, label, staff_only) VALUES ('l', 'none', 0, '', '', 0)`;
  await expect(sequelize.query(insert)).rejects.toThrow(/FOREIGN KEY/);
  await expect(
    sequelize.transaction((transaction) => sequelize.query(insert, { transaction })),
  ).rejects.toThrow(/FOREIGN KEY/);
  await sequelize.close();
});

test('a folder written by a newer Pembit is refused with a sentence', async () => {
  const sequelize = openDatabase(folder);
  await migrate(sequelize, folder, '2026-10-13T12:00:00Z');
  await sequelize.query(`INSERT INTO migrations (name, applied_at) VALUES ('9999-later', 'x')`);
  await expect(migrate(sequelize, folder, '2026-10-13T12:00:00Z')).rejects.toThrow(/newer Pembit/);
  await sequelize.close();
});

/** A folder as the first version left it, with somebody in it. */
async function oldFolder() {
  const sequelize = openDatabase(folder);
  await sequelize.query('CREATE TABLE migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)');
  for (const statement of foundations.statements) await sequelize.query(statement);
  await sequelize.query(`INSERT INTO migrations VALUES ('0001-foundations', 'x')`);
  await sequelize.query(
    `INSERT INTO people (id, email, name, password_hash, created_at) VALUES ('p', 'p@x.example', 'P', '', 0)`,
  );
  return sequelize;
}

test('before each migration a copy is left, which holds what was there', async () => {
  const sequelize = await oldFolder();
  const { applied, backups } = await migrate(sequelize, folder, '2026-10-13T12:00:00Z');
  expect(applied.length).toBeGreaterThan(0);
  expect(backups).toHaveLength(applied.length);
  await sequelize.close();
  const copy = openDatabase(path.join(folder, 'look'));
  await copy.query('ATTACH DATABASE :file AS backup', { replacements: { file: backups[0] } });
  expect(await select({ sequelize: copy }, 'SELECT name FROM backup.people')).toEqual([{ name: 'P' }]);
  expect(await select({ sequelize: copy }, 'SELECT name FROM backup.migrations')).toEqual([
    { name: '0001-foundations' },
  ]);
  await copy.close();
});

test('a migration that fails leaves the database as it was', async () => {
  const sequelize = await oldFolder();
  // In the way of the second migration's last table.
  await sequelize.query('CREATE TABLE meetings (id TEXT PRIMARY KEY)');
  await expect(migrate(sequelize, folder, '2026-10-13T12:00:00Z')).rejects.toThrow();
  const columns = await select<{ name: string }>({ sequelize }, 'PRAGMA table_info(courses)');
  expect(columns.map((column) => column.name)).not.toContain('credits');
  expect(await select({ sequelize }, 'SELECT name FROM migrations')).toEqual([{ name: '0001-foundations' }]);
  await sequelize.close();
});

test('a folder is held by one process at a time, whatever process ids are written anywhere', async () => {
  // Left by a process of before, with an id that belongs to somebody alive now.
  writeFileSync(path.join(folder, 'server.lock'), '1');
  const release = await lockFolder(folder);
  expect(await isLocked(folder)).toBe(true);
  await expect(lockFolder(folder)).rejects.toThrow('already serves the data folder');
  await release();
  expect(await isLocked(folder)).toBe(false);
  await (
    await lockFolder(folder)
  )();
});
