import { select } from '../database';
import { clockMs, dialectOf, skippingLocked } from '../dialect';
import type { Writer } from '../writeQueue';

type Claiming = Readonly<{
  table: 'outbox' | 'notices';
  /** What waits, and in which order it is taken. */
  where: string;
  order: string;
  replacements: Readonly<Record<string, unknown>>;
  most: number;
  /** For so long nobody else gets them. It is longer than handing them over can take. */
  holdMs: number;
}>;

/**
 * Takes up to `most` rows that wait and that nobody else has in hand. Whoever dies with them leaves them to others when the time is
 * over. Beside SQLite there is nobody else: what waits is taken by looking.
 */
export async function claimRows(
  writer: Writer,
  { table, where, order, replacements, most, holdMs }: Claiming,
): Promise<readonly string[]> {
  const waiting = `SELECT id FROM ${table} WHERE ${where}`;
  const rows =
    dialectOf(writer) === 'sqlite'
      ? await select<{ id: string }>(writer, `${waiting} ORDER BY ${order} LIMIT ${most}`, replacements)
      : await select<{ id: string }>(
          writer,
          `UPDATE ${table} SET held_until = ${clockMs(writer)} + :holdMs WHERE id IN
             (${waiting} AND (held_until IS NULL OR held_until < ${clockMs(writer)})
              ORDER BY ${order} LIMIT ${most} ${skippingLocked(writer)})
           RETURNING id`,
          { ...replacements, holdMs },
        );
  return rows.map(({ id }) => id);
}
