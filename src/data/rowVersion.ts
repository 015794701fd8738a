import { createHash } from 'node:crypto';
import type { Reader } from './reader';
import { select } from './database';
import type { Table } from './rows';

/** What a row says now, in sixteen letters: another one after every change; undefined where there is no such row. */
export async function rowVersion(reader: Reader, table: Table, id: string): Promise<string | undefined> {
  const [row] = await select(reader, `SELECT * FROM ${table} WHERE id = :id`, { id });
  return row && createHash('sha256').update(JSON.stringify(row)).digest('hex').slice(0, 16);
}
