import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** The state at which a cursor of a follower stands, as it was written; undefined where there is none (any more). */
export async function stateAt(
  reader: Reader,
  { id, follower }: Readonly<{ id: string; follower: string }>,
): Promise<string | undefined> {
  const [row] = await select<{ state: string }>(
    reader,
    'SELECT state FROM followed WHERE id = :id AND follower = :follower',
    { id, follower },
  );
  return row?.state;
}

/** Puts a cursor; of one follower the newest `most` are kept. */
export async function putCursor(
  writer: Writer,
  { id, person, follower, state, nowMs, most }: Readonly<{ id: string; person: PersonId; follower: string; state: string; nowMs: number; most: number }>,
): Promise<void> {
  await run(writer, 'INSERT INTO followed (id, person_id, follower, at, state) VALUES (:id, :person, :follower, :nowMs, :state)', { id, person, follower, nowMs, state });
  await run(
    writer,
    `DELETE FROM followed WHERE follower = :follower AND id NOT IN
       (SELECT id FROM followed WHERE follower = :follower ORDER BY at DESC, id DESC LIMIT :most)`,
    { follower, most },
  );
} // prettier-ignore

export const forgetCursors = (writer: Writer, beforeMs: number): Promise<unknown> =>
  run(writer, 'DELETE FROM followed WHERE at < :beforeMs', { beforeMs });
