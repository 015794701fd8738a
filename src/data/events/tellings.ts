import type { HistoryId, PersonId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Writer } from '../writeQueue';

/** Whom an act was told: so many people; none: somebody said that nobody needs to be. */
export type Telling = Readonly<{ told: number; failed: number }>;

/** What became of telling of an act; undefined while it was neither told nor waved off. */
export async function tellingOf(reader: Reader, history: string): Promise<Telling | undefined> {
  const [row] = await select<Telling>(
    reader,
    `SELECT told, (SELECT COUNT(*) FROM outbox WHERE outbox.history_id = tellings.history_id AND state = 'failed') AS failed
     FROM tellings WHERE history_id = :history`,
    { history },
  );
  return row;
}

type Noted = Readonly<{ history: HistoryId; atMs: number; actor: PersonId; told: number }>;

export async function noteTelling(writer: Writer, { history, atMs, actor, told }: Noted): Promise<void> {
  await writer.sequelize.query(
    'INSERT INTO tellings (history_id, at, actor_id, told) VALUES (:history, :atMs, :actor, :told)',
    { replacements: { history, atMs, actor, told }, transaction: writer.transaction },
  );
}
