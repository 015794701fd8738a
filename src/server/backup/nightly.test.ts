import { existsSync, readdirSync, statSync, utimesSync, writeFileSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { readConfig } from '../config';
import { health } from '../health';
import { openPembit } from '../openPembit';
import { eraseAccount } from '../people/erase';
import { newestBackupMs, nightlyBackup, outdatedNightlies } from './nightly';
import { restore } from './restore';
import { backup } from './backup';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});
const quiet = () => undefined;

test('each night a backup is made, tried, and only then named; its age is known; nobody else reads it', async () => {
  const { pembit } = school;
  expect((await health(pembit)).backupAgeSeconds).toBeUndefined();
  await nightlyBackup(pembit);
  const { backupFolder } = pembit.config;
  expect(readdirSync(backupFolder)).toEqual(['nightly-20261013']);
  expect(readdirSync(path.join(backupFolder, 'nightly-20261013')).sort()).toEqual([
    'pembit.sqlite',
    'secret',
  ]);
  expect(statSync(path.join(backupFolder, 'nightly-20261013')).mode & 0o777).toBe(0o700);
  expect((await health(pembit)).backupAgeSeconds).toBeLessThan(120);
  const old = Date.now() / 1000 - 60 * 3600;
  utimesSync(path.join(backupFolder, 'nightly-20261013'), old, old);
  expect((await health(pembit)).problems).toEqual(['backupOld']);
});

test('one that could not be restored takes no name, and the one before stays', async () => {
  const { pembit } = school;
  const { backupFolder, dataFolder } = pembit.config;
  await nightlyBackup(pembit);
  const first = newestBackupMs(backupFolder);
  // A file whose content is not what its name says.
  await pembit.sequelize.query(
    `INSERT INTO files (id, hash, name, media_type, size, created_at) VALUES ('f', 'ab${'0'.repeat(62)}', 'f', 'text/plain', 1, 1)`,
  );
  mkdirSync(path.join(dataFolder, 'files', 'ab'), { recursive: true });
  writeFileSync(path.join(dataFolder, 'files', 'ab', `ab${'0'.repeat(62)}`), 'damaged');
  await expect(nightlyBackup(pembit)).rejects.toThrow('damaged');
  expect(readdirSync(backupFolder)).toEqual(['nightly-20261013']);
  expect(newestBackupMs(backupFolder)).toBe(first);
});

test('the last seven nights are kept, and one of each of four weeks before', () => {
  const day = (n: number) =>
    `nightly-${new Date(Date.UTC(2026, 8, 1) + n * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '')}`;
  const nights = Array.from({ length: 60 }, (_, n) => day(n));
  const gone = new Set(outdatedNightlies(nights));
  const kept = nights.filter((name) => !gone.has(name));
  expect(kept.slice(-7)).toEqual(nights.slice(-7));
  expect(kept).toHaveLength(11);
  // Four weeks back at least.
  expect(nights.indexOf(kept[0]!)).toBeLessThanOrEqual(60 - 7 - 21);
  expect(outdatedNightlies(nights.slice(-3))).toEqual([]);
});

describe('an erasure survives a restore', () => {
  test('of a backup that was made before: whoever was erased is erased again', async () => {
    // A school of its own, which is closed and opened again.
    const first = path.join(school.pembit.config.dataFolder, 'first');
    await backup(school.pembit.config, first, quiet);
    const config = readConfig({ PEMBIT_DATA: first, PEMBIT_NOW: '2026-10-13T12:00:00Z' });
    const pembit = await openPembit(config);
    const copy = path.join(school.pembit.config.dataFolder, 'copy');
    await backup(config, copy, quiet);
    const { id, email } = school.students[0]!.person;
    const office = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
    valueOf(await eraseAccount(pembit, office, { id, email }));
    await pembit.close();
    await restore(config, copy, '2026-10-13T13:00:00Z', quiet);
    const again = await openPembit(config);
    expect(await select(again, 'SELECT id FROM people WHERE id = :id', { id })).toEqual([]);
    expect(JSON.stringify(await select(again, 'SELECT * FROM roster'))).not.toContain(id);
    // The journal goes along with a backup, to another machine.
    const second = path.join(school.pembit.config.dataFolder, 'second');
    await backup(config, second, quiet);
    expect(existsSync(path.join(second, 'erasures.jsonl'))).toBe(true);
    await again.close();
  });
});
