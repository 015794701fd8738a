import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, inject, test } from 'vitest';
import { newDatabase } from '../../../tests/support/postgres';
import { connectTo, openDatabase, select } from '@/data/database';
import { tableNames } from '@/data/dialect';
import { readConfig } from '../config';
import { loadDemo } from '../demo/loadDemo';
import { openPembit } from '../openPembit';
import { move } from './move';

let folder: string;
let url: string;
let giveBack: () => Promise<void>;
beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-move-'));
  ({ url, giveBack } = await newDatabase(inject('postgresUrl')!));
  const pembit = await openPembit(config());
  await loadDemo(pembit);
  await pembit.close();
});
afterEach(async () => {
  rmSync(folder, { recursive: true, force: true });
  await giveBack();
});

const config = (databaseUrl?: string) =>
  readConfig({ PEMBIT_DATA: folder, PEMBIT_NOW: '2026-10-13T12:00:00Z', PEMBIT_DATABASE_URL: databaseUrl });
const moving = (direction: 'there' | 'back', at = url) =>
  move({ folder, url: at, direction, at: '2026-10-13T12:00:00Z', report: () => undefined });

/** How many rows each table has, those alone that have any. */
async function counts(sequelize: ReturnType<typeof connectTo>): Promise<Record<string, number>> {
  const found: Record<string, number> = {};
  for (const { name } of await select<{ name: string }>({ sequelize }, tableNames({ sequelize }))) {
    const [row] = await select<{ n: number }>({ sequelize }, `SELECT COUNT(*) AS n FROM ${name}`);
    if (row!.n > 0) found[name] = row!.n;
  }
  await sequelize.close();
  return found;
}

test('a school goes to PostgreSQL with every row, is served from there, and comes back with what was done meanwhile', async () => {
  const before = await counts(openDatabase(folder));
  const there = await moving('there');
  expect(await counts(connectTo(url))).toEqual(before);
  const { migrations = 0, ...moved } = before;
  expect([migrations > 0, there.rows]).toEqual([true, Object.values(moved).reduce((sum, n) => sum + n, 0)]);
  expect(readdirSync(folder)).not.toContain('pembit.sqlite');
  expect(existsSync(there.keptIn!)).toBe(true);

  const pembit = await openPembit(config(url));
  // Nobody moves what is served.
  await expect(moving('back')).rejects.toThrow('Stop all its processes first');
  await pembit.queue.write((writer) =>
    pembit.sequelize
      .query(`INSERT INTO events (at, type, subject, payload) VALUES (1, 'acted', '', '{}')`, {
        transaction: writer.transaction,
      })
      .then(() => undefined),
  );
  // Numbers go on behind those that came along.
  const [newest] = await select<{ id: number }>(pembit, `SELECT id FROM events WHERE at = 1`);
  expect(newest!.id).toBeGreaterThanOrEqual(before.events! + 1);
  await pembit.close();

  await moving('back');
  const after = await counts(openDatabase(folder));
  expect(after).toEqual({ ...before, events: before.events! + 1, stamps: after.stamps });
  const again = await openPembit(config());
  await again.close();
});

test('nothing is moved onto what is there, and nothing from where nothing is', async () => {
  await expect(moving('back')).rejects.toThrow('There is a database in');
  const { keptIn } = await moving('there');
  await expect(moving('there')).rejects.toThrow('There is no database in');
  const nobody = await newDatabase(inject('postgresUrl')!);
  await expect(moving('back', nobody.url)).rejects.toThrow('nothing to move');
  expect(readdirSync(folder)).not.toContain('pembit.sqlite');
  await nobody.giveBack();
  // As a folder that was copied before would be.
  copyFileSync(keptIn!, path.join(folder, 'pembit.sqlite'));
  const before = await counts(connectTo(url));
  await expect(moving('there')).rejects.toThrow('is not empty');
  expect(await counts(connectTo(url))).toEqual(before);
  expect(existsSync(path.join(folder, 'pembit.sqlite'))).toBe(true);
});
