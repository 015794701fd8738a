import type { Reader } from '../database';
import { select } from '../database';
import { run, upsertRows } from '../statements';
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
  const rows = [...tries].map(([id, { count, sinceMs }]) => ({ id, count, since: sinceMs }));
  await upsertRows(writer, 'tries', { rows, key: ['id'], values: ['count', 'since'] });
  await run(writer, 'DELETE FROM tries WHERE since <= :beforeMs', { beforeMs });
}
