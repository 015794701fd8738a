import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../tests/support/outcomes';
import type { School } from '../../tests/support/school';
import { newSchool } from '../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { Connection } from '@/data/asking/keptStatements';
import { databaseFile, select } from '@/data/database';
import { createWriteQueue } from '@/data/writeQueue';
import { planEntry } from './entries/planEntry';
import { isOutOfRoom } from './outOfRoom';
import type { Pembit } from './pembit';

let school: School;
beforeEach(async () => void (school = await newSchool()));
afterEach(() => school.close());

/** The same folder through connections that a statement has limited. */
function limited(statement: string): Pembit {
  class Limited extends Connection {
    constructor(file: string, mode: number, callback?: (error: Error | null) => void) {
      super(file, mode, callback);
      this.run(statement);
    }
  }
  const storage = databaseFile(school.pembit.config.dataFolder);
  const sequelize = new Sequelize({ dialect: 'sqlite', storage, dialectModule: { ...sqlite3, Database: Limited }, logging: false, retry: { max: 1 } }); // prettier-ignore
  return { ...school.pembit, sequelize, queue: createWriteQueue(sequelize) };
}

const plan = (pembit: Pembit, n: number) =>
  planEntry(pembit, school.instructor, entryInput.parse({ kind: 'event', title: `Event ${n}`, description: 'x'.repeat(3000), start: '2026-10-20T10:00', audience: [{ course: school.course }] })); // prettier-ignore
const contents = () =>
  select<Record<string, number>>(
    school.pembit,
    "SELECT (SELECT COUNT(*) FROM entries) AS entries, (SELECT COUNT(*) FROM entry_audiences) AS audiences, (SELECT COUNT(*) FROM history WHERE act = 'planEntry') AS acts",
  );

test('a full disk is said, loses nothing that was acknowledged, and leaves no half of what was not', async () => {
  const [{ pages }] = (await select<{ pages: number }>(school.pembit, 'SELECT page_count AS pages FROM pragma_page_count')) as [{ pages: number }]; // prettier-ignore
  const full = limited(`PRAGMA max_page_count = ${pages + 12}`);
  let acknowledged = 0;
  let failure: unknown;
  while (failure === undefined && acknowledged < 200)
    await plan(full, acknowledged).then(
      (outcome) => {
        valueOf(outcome);
        acknowledged++;
      },
      (error: unknown) => (failure = error),
    );
  expect(isOutOfRoom(failure)).toBe(true);
  expect(acknowledged).toBeGreaterThan(0);
  expect(await contents()).toEqual([{ entries: acknowledged, audiences: acknowledged, acts: acknowledged }]);
  await full.sequelize.close();
  // With room again, it goes on.
  valueOf(await plan(school.pembit, acknowledged));
  expect(await select(school.pembit, 'PRAGMA integrity_check')).toEqual([{ integrity_check: 'ok' }]);
});

test('a database that cannot be written is said, and nothing is changed', async () => {
  valueOf(await plan(school.pembit, 0));
  const before = await contents();
  const readOnly = limited('PRAGMA query_only = ON');
  const failure: unknown = await plan(readOnly, 1).catch((error: unknown) => error);
  expect(isOutOfRoom(failure)).toBe(true);
  expect(await contents()).toEqual(before);
  await readOnly.sequelize.close();
});

test('any other failure is not taken for one of these', () => {
  for (const error of [new Error('x'), undefined, { code: 'SQLITE_CONSTRAINT' }, { original: { code: 'SQLITE_BUSY' } }])
    expect(isOutOfRoom(error)).toBe(false);
}); // prettier-ignore
