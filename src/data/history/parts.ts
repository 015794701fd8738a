import { isDeepStrictEqual } from 'node:util';
import { select } from '../database';
import type { Rows, Table } from '../rows';
import type { Change } from './change';

/** Makes the rows of a table that hang on something (`column` names it) those given: what stays the same is not touched. */
export async function replaceParts<T extends Table>(
  change: Change,
  table: T,
  column: keyof Rows[T] & string,
  owner: string,
  rows: readonly Rows[T][],
): Promise<void> {
  const there = await select<Rows[T]>(change, `SELECT * FROM ${table} WHERE ${column} = :owner`, { owner });
  const stay = new Set(rows.map(({ id }) => id));
  for (const { id } of there) if (!stay.has(id)) await change.remove(table, id);
  const known = new Map(there.map((row) => [row.id, row]));
  for (const row of rows) {
    const was = known.get(row.id);
    if (was && !isDeepStrictEqual({ ...was }, row)) await change.update(table, row.id, row);
  }
  await change.insert(
    table,
    rows.filter(({ id }) => !known.has(id)),
  );
}
