import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { newMaterialInput } from '@/core/materials/materialInput';
import { databaseFile, select } from '@/data/database';
import { lockFolder } from '@/data/folderLock';
import { readConfig } from '../config';
import { planEntry } from '../entries/planEntry';
import { addMaterial } from '../materials/editMaterials';
import { storedPath } from '../materials/fileStore';
import { uploadFile } from '../materials/uploadFile';
import { openPembit } from '../openPembit';
import { backup } from './backup';
import { restore } from './restore';

let school: School;
let folder: string;
let hash: string;
const quiet = () => undefined;
const plan = (title: string) =>
  planEntry(school.pembit, school.instructor, entryInput.parse({ kind: 'event', title, start: '2026-10-20T10:00', audience: [{ course: school.course }] })); // prettier-ignore
const into = (name: string) => readConfig({ PEMBIT_DATA: path.join(folder, name), PEMBIT_NOW: '2026-10-13T12:00:00Z' }); // prettier-ignore

beforeEach(async () => {
  school = await newSchool();
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-backup-'));
  const body = Readable.toWeb(Readable.from([Buffer.from('Offsets')])) as ReadableStream<Uint8Array>;
  const { pembit, instructor, course } = school;
  const file = valueOf(await uploadFile(pembit, instructor, { name: 'offsets.txt', body }));
  valueOf(await addMaterial(pembit, instructor, course, newMaterialInput.parse({ kind: 'webContent', title: 'Offsets', file: file.id }))); // prettier-ignore
  [{ hash }] = (await select<{ hash: string }>(pembit, 'SELECT hash FROM files')) as [{ hash: string }];
});
afterEach(async () => {
  await school.close();
  rmSync(folder, { recursive: true, force: true });
});

test('a backup taken while people write is one moment: all that was acknowledged before, and no half of what came later', async () => {
  for (let i = 0; i < 20; i++) valueOf(await plan(`Before ${i}`));
  let copying = true;
  let later = 0;
  const writing = (async () => {
    while (copying) valueOf(await plan(`Later ${later++}`));
  })();
  const saved = await backup(school.pembit.config, path.join(folder, 'copy'), quiet);
  copying = false;
  await writing;
  expect(saved).toMatchObject({ files: 1, missing: [] });

  const config = into('other');
  const restored = await restore(config, path.join(folder, 'copy'), '2026-10-13T12:00:00Z', quiet);
  expect(restored).toMatchObject({ entries: saved.entries, people: saved.people, files: 1 });
  const pembit = await openPembit(config);
  try {
    const titles = (await select<{ title: string }>(pembit, 'SELECT title FROM entries ORDER BY created_at, title')).map(({ title }) => title); // prettier-ignore
    expect(titles.filter((title) => title.startsWith('Before'))).toHaveLength(20);
    // What came later is there from its beginning without a hole, each with its audience and its line of history.
    const came = titles.filter((title) => title.startsWith('Later'));
    expect(came.map((title) => Number(title.slice(6))).sort((a, b) => a - b)).toEqual(came.map((_, i) => i));
    expect(came.length).toBeLessThanOrEqual(later);
    const [counts] = await select<{ audiences: number; acts: number }>(pembit, "SELECT (SELECT COUNT(*) FROM entry_audiences) AS audiences, (SELECT COUNT(*) FROM history WHERE act = 'planEntry') AS acts"); // prettier-ignore
    expect(counts).toEqual({ audiences: titles.length, acts: titles.length });
    expect(readFileSync(storedPath(config, hash), 'utf8')).toBe('Offsets');
    expect(pembit.secret.equals(school.pembit.secret)).toBe(true);
  } finally {
    await pembit.close();
  }
});

test('what is replaced is kept aside, and comes back from there', async () => {
  await backup(school.pembit.config, path.join(folder, 'copy'), quiet);
  const config = into('other');
  await (await openPembit(config)).close();
  const first = await restore(config, path.join(folder, 'copy'), '2026-10-13T12:00:00Z', quiet);
  expect(first.keptIn).toBeDefined();
  expect(readdirSync(first.keptIn!)).toEqual(expect.arrayContaining(['pembit.sqlite', 'secret']));
  const second = await restore(config, first.keptIn!, '2026-10-13T12:05:00Z', quiet);
  expect(second).toMatchObject({ courses: 0, people: 0 });
});

test('damage, a folder that is served and a target that is not empty are refused with a sentence, and change nothing', async () => {
  const copy = path.join(folder, 'copy');
  await backup(school.pembit.config, copy, quiet);
  await expect(backup(school.pembit.config, copy, quiet)).rejects.toThrow('not empty');
  await expect(backup(into('nothing'), path.join(folder, 'new'), quiet)).rejects.toThrow('no database');
  await expect(restore(into('other'), path.join(folder, 'nowhere'), 'now', quiet)).rejects.toThrow(
    'no backup',
  );
  await (await openPembit(into('other'))).close();
  const unlock = await lockFolder(path.join(folder, 'other'));
  await expect(restore(into('other'), copy, 'now', quiet)).rejects.toThrow('already serves');
  await unlock();

  writeFileSync(storedPath(into('copy'), hash), 'Altered');
  await expect(restore(into('other'), copy, 'now', quiet)).rejects.toThrow('damaged');
  const bytes = readFileSync(databaseFile(copy));
  bytes.fill(0x5a, 8192, 8192 + 4096 * 3);
  writeFileSync(databaseFile(copy), bytes);
  await expect(restore(into('other'), copy, 'now', quiet)).rejects.toThrow();
  const pembit = await openPembit(into('other'));
  expect(await select(pembit, 'SELECT id FROM people')).toEqual([]);
  await pembit.close();
});
