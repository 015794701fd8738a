import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { clockMs, dialectOf } from '../dialect';

/** What waits to be handed over to others, and in which order it goes. */
const ORDER = { outbox: 'urgent DESC, created_at, id', notices: 'created_at, id' } as const;
type Waiting = keyof typeof ORDER;

const DUE = `state = 'queued' AND next_attempt_at <= :nowMs`;

/** Whether anything's time has come. */
export const isAnyDue = async (reader: Reader, table: Waiting, nowMs: number): Promise<boolean> =>
  (await select(reader, `SELECT id FROM ${table} WHERE ${DUE} LIMIT 1`, { nowMs })).length > 0;

/** How much is taken, and for how long nobody else gets it: longer than handing it over can take. */
export type Claim = Readonly<{ nowMs: number; most: number; holdMs: number }>;

/**
 * Takes what is due and nobody else has in hand. Whoever dies with it leaves it to others when the time is over. Beside SQLite there
 * is nobody else: what waits is taken by looking.
 */
export async function claimDue(
  writer: Writer,
  table: Waiting,
  { nowMs, most, holdMs }: Claim,
): Promise<readonly string[]> {
  const due = `SELECT id FROM ${table} WHERE ${DUE}`;
  const first = `ORDER BY ${ORDER[table]} LIMIT ${Math.floor(most)}`;
  const clock = clockMs(writer);
  const rows =
    dialectOf(writer) === 'sqlite'
      ? await select<{ id: string }>(writer, `${due} ${first}`, { nowMs })
      : await select<{ id: string }>(
          writer,
          `UPDATE ${table} SET held_until = ${clock} + :holdMs WHERE id IN
             (${due} AND (held_until IS NULL OR held_until < ${clock}) ${first} FOR UPDATE SKIP LOCKED)
           RETURNING id`,
          { nowMs, holdMs },
        );
  return rows.map(({ id }) => id);
}
