import type { EntryId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { upsertRows } from '../statements';

/** Which state of an entry a person has been shown. */
export type Shown = Readonly<{ entry: EntryId; sequence: number }>;

/** What of these a person has not been shown yet in this state. */
export async function notYetShown(
  reader: Reader,
  person: PersonId,
  entries: readonly Shown[],
): Promise<readonly Shown[]> {
  const rows = await select<{ entry_id: string; sequence: number }>(
    reader,
    'SELECT entry_id, sequence FROM shown WHERE person_id = :person',
    { person },
  );
  const known = new Map(rows.map((row) => [row.entry_id, row.sequence]));
  return entries.filter(({ entry, sequence }) => (known.get(entry) ?? -1) < sequence);
}

export async function markShown(
  writer: Writer,
  person: PersonId,
  entries: readonly Shown[],
  nowMs: number,
): Promise<void> {
  if (entries.length === 0) return;
  const there = await select<{ id: EntryId }>(writer, 'SELECT id FROM entries WHERE id IN (:ids)', {
    ids: entries.map(({ entry }) => entry),
  });
  const known = new Set(there.map(({ id }) => id));
  const rows = entries
    .filter(({ entry }) => known.has(entry))
    .map(({ entry, sequence }) => ({
      person_id: person,
      entry_id: entry,
      sequence,
      at: nowMs,
      first_at: nowMs,
    }));
  // At once: somebody's first look at a term shows hundreds of entries.
  await upsertRows(writer, 'shown', { rows, key: ['person_id', 'entry_id'], values: ['sequence', 'at'] });
}

/** Whoever had been shown an entry by then, and nothing as late as that state of it since: they have it as it was. */
export async function shownAsItWas(
  reader: Reader,
  entry: string,
  { byMs, sequence }: Readonly<{ byMs: number; sequence: number }>,
): Promise<readonly PersonId[]> {
  const rows = await select<{ person: PersonId }>(
    reader,
    `SELECT person_id AS person FROM shown
     WHERE entry_id = :entry AND first_at <= :byMs AND sequence < :sequence ORDER BY person_id`,
    { entry, byMs, sequence },
  );
  return rows.map(({ person }) => person);
}

/** How many people have been shown an entry in this state or a later one. */
export async function countShownSince(reader: Reader, entry: string, sequence: number): Promise<number> {
  const [row] = await select<{ n: number }>(
    reader,
    'SELECT COUNT(*) AS n FROM shown WHERE entry_id = :entry AND sequence >= :sequence',
    { entry, sequence },
  );
  return row?.n ?? 0;
}
