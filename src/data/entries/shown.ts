import type { EntryId, PersonId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Writer } from '../writeQueue';

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
  // One statement: somebody's first look at a term shows hundreds of entries.
  await writer.sequelize.query(
    `INSERT INTO shown (person_id, entry_id, sequence, at, first_at)
     SELECT :person, entries.id, json_extract(given.value, '$.sequence'), :nowMs, :nowMs
     FROM json_each(:list) AS given JOIN entries ON entries.id = json_extract(given.value, '$.entry') WHERE TRUE
     ON CONFLICT (person_id, entry_id) DO UPDATE SET sequence = excluded.sequence, at = excluded.at`,
    { replacements: { person, nowMs, list: JSON.stringify(entries) }, transaction: writer.transaction },
  );
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
