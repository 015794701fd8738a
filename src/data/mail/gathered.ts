import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { LetterSort } from '@/core/mail/letters';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows } from '../statements';

/** A line that waits for the letter of the day or of the week. `about`: the id of what it speaks of. */
export type GatheredLine = Readonly<{ person: PersonId; sort: LetterSort; about: string; line: string }>;

export async function gatherLines(
  writer: Writer,
  lines: readonly GatheredLine[],
  { nowMs, history }: Readonly<{ nowMs: number; history?: string }>,
): Promise<void> {
  if (lines.length === 0) return;
  await insertRows(
    writer,
    'gathered_lines',
    lines.map(({ person, sort, about, line }) => ({
      id: randomUUID(),
      person_id: person,
      sort,
      about,
      line,
      history_id: history ?? null,
      at: nowMs,
    })),
  );
}

/** Takes back the lines that tell of an act. */
export async function takeBackLines(writer: Writer, history: string): Promise<void> {
  await deleteRows(writer, 'gathered_lines', { history_id: history });
}

/** Whoever has a line waiting. */
export async function withLinesWaiting(reader: Reader): Promise<PersonId[]> {
  const rows = await select<{ id: PersonId }>(reader, 'SELECT DISTINCT person_id AS id FROM gathered_lines');
  return rows.map(({ id }) => id);
}

/** What has waited for somebody since before then, the oldest first. */
export const linesOf = (
  reader: Reader,
  person: PersonId,
  beforeMs: number,
): Promise<Readonly<{ id: string; sort: LetterSort; about: string; line: string }>[]> =>
  select(
    reader,
    'SELECT id, sort, about, line FROM gathered_lines WHERE person_id = :person AND at <= :beforeMs ORDER BY at, id',
    { person, beforeMs },
  );

export async function removeLines(writer: Writer, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await deleteRows(writer, 'gathered_lines', { id: [...ids] });
}
