import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { newMaterialInput } from '@/core/materials/materialInput';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import { addMaterial } from '../materials/editMaterials';
import { storedPath } from '../materials/fileStore';
import { uploadFile } from '../materials/uploadFile';
import { openPembit } from '../openPembit';
import { backup } from './backup';
import { restore } from './restore';

/** PostgreSQL is backed up and restored by its own programs; files and the secret go along. */
let school: School;
let folder: string;
let copy: string;
const quiet = () => undefined;
const AT = '2026-10-13T12:00:00Z';
const plan = (title: string) =>
  planEntry(school.pembit, school.instructor, entryInput.parse({ kind: 'event', title, start: '2026-10-20T10:00', audience: [{ course: school.course }] })); // prettier-ignore
const titles = async () => {
  const pembit = await openPembit(school.pembit.config);
  const rows = await select<{ title: string }>(pembit, 'SELECT title FROM entries ORDER BY title');
  await pembit.close();
  return rows.map(({ title }) => title);
};

beforeEach(async () => {
  school = await newSchool();
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-backup-'));
  copy = path.join(folder, 'copy');
  const body = Readable.toWeb(Readable.from([Buffer.from('Offsets')])) as ReadableStream<Uint8Array>;
  const { pembit, instructor, course } = school;
  const file = valueOf(await uploadFile(pembit, instructor, { name: 'offsets.txt', body }));
  valueOf(await addMaterial(pembit, instructor, course, newMaterialInput.parse({ kind: 'webContent', title: 'Offsets', file: file.id }))); // prettier-ignore
  valueOf(await plan('Before'));
});
afterEach(async () => {
  await school.close();
  rmSync(folder, { recursive: true, force: true });
});

test('what was there at the backup comes back, what came later is kept aside, and nothing is restored under a server', async () => {
  const { config } = school.pembit;
  const saved = await backup(config, copy, quiet);
  expect(saved).toMatchObject({ entries: 1, files: 1, missing: [] });
  expect(readdirSync(copy).sort()).toEqual(['files', 'pembit.dump', 'secret']);
  valueOf(await plan('Later'));
  await expect(restore(config, copy, AT, quiet)).rejects.toThrow('Stop all its processes first');
  await school.pembit.close();

  const { keptIn, ...restored } = await restore(config, copy, AT, quiet);
  expect(restored).toEqual(saved);
  expect(await titles()).toEqual(['Before']);
  // What was replaced is a backup as well.
  await restore(config, keptIn!, '2026-10-13T12:00:01Z', quiet);
  expect(await titles()).toEqual(['Before', 'Later']);
});

test('a damaged file or database changes nothing', async () => {
  const { config } = school.pembit;
  await backup(config, copy, quiet);
  valueOf(await plan('Later'));
  const [{ hash } = { hash: '' }] = await select<{ hash: string }>(school.pembit, 'SELECT hash FROM files');
  await school.pembit.close();
  const stored = storedPath({ ...config, dataFolder: copy }, hash);
  writeFileSync(stored, 'Something else');
  await expect(restore(config, copy, AT, quiet)).rejects.toThrow('is damaged. Nothing was changed.');
  writeFileSync(stored, 'Offsets');
  writeFileSync(path.join(copy, 'pembit.dump'), 'not a dump');
  await expect(restore(config, copy, AT, quiet)).rejects.toThrow('pg_restore failed');
  expect(await titles()).toEqual(['Before', 'Later']);
  expect(existsSync(storedPath(config, hash))).toBe(true);
});
