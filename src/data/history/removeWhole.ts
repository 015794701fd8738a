import { select } from '../database';
import type { Table } from '../rows';
import type { Change } from './change';
import { CASCADES, INCIDENTAL } from './references';

/**
 * Takes a row away with everything that hangs on it, row by row, those that hang on others first: what the database would take
 * along by itself could not be brought back by undo.
 */
export async function removeWhole(change: Change, table: Table, id: string): Promise<void> {
  for (const [other, column] of CASCADES[table] ?? []) {
    if (INCIDENTAL.has(other)) continue;
    const rows = await select<{ id: string }>(change, `SELECT id FROM ${other} WHERE ${column} = :id`, {
      id,
    });
    for (const row of rows) await removeWhole(change, other as Table, row.id);
  }
  await change.remove(table, id);
}
