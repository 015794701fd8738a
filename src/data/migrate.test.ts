import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { openDatabase, select } from './database';
import { lockFolder } from './folderLock';
import { migrate } from './migrate';
import { TABLES } from './rows';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-migrate-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('an empty folder gets every table, and a second start changes nothing', async () => {
  const sequelize = openDatabase(folder);
  expect((await migrate(sequelize, folder, '2026-10-13T12:00:00Z')).applied.length).toBeGreaterThan(0);
  expect(await migrate(sequelize, folder, '2026-10-13T12:00:00Z')).toEqual({ applied: [] });
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

test('a folder written by a newer Pembit is refused with a sentence; an older one is copied before it is changed', async () => {
  const sequelize = openDatabase(folder);
  await migrate(sequelize, folder, '2026-10-13T12:00:00Z');
  await sequelize.query(`INSERT INTO migrations (name, applied_at) VALUES ('9999-later', 'x')`);
  await expect(migrate(sequelize, folder, '2026-10-13T12:00:00Z')).rejects.toThrow(/newer Pembit/);
  await sequelize.query(`DELETE FROM migrations`);
  await sequelize.query(`INSERT INTO migrations (name, applied_at) VALUES ('0001-foundations', 'x')`);
  await sequelize.close();
});

test('a folder is held by one process; a lock left by a dead one is taken over', () => {
  const release = lockFolder(folder);
  release();
  expect(existsSync(path.join(folder, 'server.lock'))).toBe(false);
  const again = lockFolder(folder);
  again();
});
