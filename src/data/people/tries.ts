import type { Reader } from '../database';
import { select } from '../database';
import type { Writer } from '../writeQueue';

/** How often something was tried since a moment. */
export type Tries = Readonly<{ count: number; sinceMs: number }>;

export async function triesSince(reader: Reader, sinceMs: number): Promise<Map<string, Tries>> {
  const rows = await select<{ id: string; count: number; since: number }>(
    reader,
    'SELECT * FROM tries WHERE since > :sinceMs',
    { sinceMs },
  );
  return new Map(rows.map((row) => [row.id, { count: row.count, sinceMs: row.since }]));
}

/** Writes down some, and forgets all that began before. */
export async function writeTries(
  writer: Writer,
  tries: Iterable<readonly [string, Tries]>,
  beforeMs: number,
): Promise<void> {
  const { sequelize, transaction } = writer;
  for (const [id, { count, sinceMs }] of tries)
    await sequelize.query('INSERT OR REPLACE INTO tries (id, count, since) VALUES (:id, :count, :sinceMs)', {
      replacements: { id, count, sinceMs },
      transaction,
    });
  await sequelize.query('DELETE FROM tries WHERE since <= :beforeMs', {
    replacements: { beforeMs },
    transaction,
  });
}
