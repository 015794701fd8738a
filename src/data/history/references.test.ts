import { afterAll, beforeAll, expect, test } from 'vitest';
import { emptySchool } from '../../../tests/support/school';
import { select } from '../database';
import type { Table } from '../rows';
import { TABLES } from '../rows';
import { CASCADES } from './references';

let school: Awaited<ReturnType<typeof emptySchool>>;
beforeAll(async () => {
  school = await emptySchool();
});
afterAll(() => school.close());

test('every foreign key by which a row would take another along is known', async () => {
  const tables = await select<{ name: string }>(school.pembit, `SELECT name FROM sqlite_master WHERE type = 'table'`); // prettier-ignore
  const found: Record<string, string[]> = {};
  for (const { name } of tables) {
    const keys = await select<{ table: string; from: string; on_delete: string }>(school.pembit, `PRAGMA foreign_key_list(${name})`); // prettier-ignore
    for (const { table, from, on_delete: onDelete } of keys)
      if (onDelete === 'CASCADE' && TABLES.includes(table as Table))
        (found[table] ??= []).push(`${name} ${from}`);
  }
  const known = Object.fromEntries(
    Object.entries(CASCADES).map(([table, list]) => [table, list.map(([name, column]) => `${name} ${column}`).sort()]), // prettier-ignore
  );
  for (const list of Object.values(found)) list.sort();
  expect(known).toEqual(found);
});
