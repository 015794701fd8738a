import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Of what somebody has been reminded already. */
export async function remindedOf(reader: Reader, person: PersonId): Promise<ReadonlySet<string>> {
  const rows = await select<{ what: string }>(reader, 'SELECT what FROM reminded WHERE person_id = :person', {
    person,
  });
  return new Set(rows.map(({ what }) => what));
}

export async function noteReminded(
  writer: Writer,
  person: PersonId,
  what: readonly string[],
  nowMs: number,
): Promise<void> {
  for (const each of what)
    await run(
      writer,
      'INSERT INTO reminded (id, person_id, what, sent_at) VALUES (:id, :person, :what, :nowMs)',
      { id: randomUUID(), person, what: each, nowMs },
    );
}

/** What one was reminded of before then is over. */
export async function forgetReminded(writer: Writer, beforeMs: number): Promise<void> {
  await run(writer, 'DELETE FROM reminded WHERE sent_at < :beforeMs', { beforeMs });
}
