import type { HistoryId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

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

/** An act that somebody told of lately, and how far its letters have come. */
export type ToldLately = Readonly<{
  history: HistoryId;
  summary: string;
  told: number;
  /** Of them: how many read it in their letter of the day or of the week. */
  gathered: number;
  sent: number;
  failed: number;
  /** How many devices showed it. */
  shown: number;
}>;

/** What somebody told of since an instant, the last first; what nobody needed to be told is not among it. */
export const toldLately = (
  reader: Reader,
  { actor, sinceMs }: Readonly<{ actor: PersonId; sinceMs: number }>,
): Promise<ToldLately[]> =>
  select<ToldLately>(
    reader,
    `SELECT tellings.history_id AS history, history.summary, tellings.told, tellings.gathered,
       SUM(CASE WHEN outbox.state = 'sent' THEN 1 ELSE 0 END) AS sent,
       SUM(CASE WHEN outbox.state = 'failed' THEN 1 ELSE 0 END) AS failed,
       (SELECT COUNT(*) FROM notices WHERE notices.history_id = tellings.history_id AND notices.state = 'sent') AS shown
     FROM tellings JOIN history ON history.id = tellings.history_id
     LEFT JOIN outbox ON outbox.history_id = tellings.history_id
     WHERE tellings.actor_id = :actor AND tellings.at > :sinceMs AND tellings.told > 0 AND history.undone_at IS NULL
     GROUP BY tellings.history_id, history.summary, tellings.told, tellings.gathered, tellings.at ORDER BY tellings.at DESC LIMIT 5`,
    { actor, sinceMs },
  );

type Noted = Readonly<{ history: HistoryId; atMs: number; actor: PersonId; told: number; gathered?: number }>;

export async function noteTelling(
  writer: Writer,
  { history, atMs, actor, told, gathered = 0 }: Noted,
): Promise<void> {
  await run(
    writer,
    'INSERT INTO tellings (history_id, at, actor_id, told, gathered) VALUES (:history, :atMs, :actor, :told, :gathered)',
    { history, atMs, actor, told, gathered },
  );
}
