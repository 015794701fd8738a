import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { PersonSettings } from '@/core/frame/personSettings';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import type { EntryId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { json } from '../dialect';
import { run } from '../statements';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** The entries that somebody has ticked as done. */
export async function doneBy(reader: Reader, person: PersonId): Promise<ReadonlySet<EntryId>> {
  const rows = await select<{ entry_id: EntryId }>(
    reader,
    'SELECT entry_id FROM done_marks WHERE person_id = :person',
    { person },
  );
  return new Set(rows.map((row) => row.entry_id));
}

/** When somebody ticked each entry as done. */
export async function doneTimesOf(
  reader: Reader,
  person: PersonId,
): Promise<ReadonlyMap<EntryId, Temporal.Instant>> {
  const rows = await select<{ entry_id: EntryId; done_at: number }>(
    reader,
    'SELECT entry_id, done_at FROM done_marks WHERE person_id = :person',
    { person },
  );
  return new Map(rows.map((row) => [row.entry_id, Temporal.Instant.fromEpochMilliseconds(row.done_at)]));
}

export async function markDone(
  change: Change,
  person: PersonId,
  entry: EntryId,
  done: boolean,
): Promise<void> {
  const [known] = await select<{ id: string }>(
    change,
    'SELECT id FROM done_marks WHERE person_id = :person AND entry_id = :entry',
    { person, entry },
  );
  if (done && !known)
    await change.insert('done_marks', [
      { id: randomUUID(), person_id: person, entry_id: entry, done_at: change.nowMs },
    ]);
  if (!done && known) await change.remove('done_marks', known.id);
  change.concerns(`person:${person}`);
}

export async function personSettings(reader: Reader, person: PersonId): Promise<PersonSettings> {
  const [row] = await select<Rows['person_settings']>(
    reader,
    'SELECT * FROM person_settings WHERE id = :person',
    { person },
  );
  return row
    ? { ...NO_PERSON_SETTINGS, ...(JSON.parse(row.settings) as PersonSettings) }
    : NO_PERSON_SETTINGS;
}

/** What all who chose something chose for themselves; who is not in it has chosen nothing. */
export async function allPersonSettings(reader: Reader): Promise<ReadonlyMap<PersonId, PersonSettings>> {
  const rows = await select<Rows['person_settings']>(reader, 'SELECT * FROM person_settings');
  return new Map(
    rows.map((row) => [
      row.id as PersonId,
      { ...NO_PERSON_SETTINGS, ...(JSON.parse(row.settings) as PersonSettings) },
    ]),
  );
}

export async function writePersonSettings(
  change: Change,
  person: PersonId,
  settings: PersonSettings,
): Promise<void> {
  const row = { settings: JSON.stringify(settings) };
  const known = await select(change, 'SELECT id FROM person_settings WHERE id = :person', { person });
  if (known.length > 0) await change.update('person_settings', person, row);
  else await change.insert('person_settings', [{ id: person, ...row }]);
  change.concerns(`person:${person}`);
}

/** Whoever has letters written about what is new or changed and nobody told. */
export async function wantingNews(reader: Reader): Promise<PersonId[]> {
  const rows = await select<{ id: PersonId }>(
    reader,
    `SELECT id FROM person_settings WHERE ${json(reader, 'settings')} -> 'letters' ->> 'news' IN ('daily', 'weekly')`,
  );
  return rows.map(({ id }) => id);
}

/** When somebody last said that they have seen what changed, and was last written to about it; absent before the first visit. */
export async function lookedAt(
  reader: Reader,
  person: PersonId,
): Promise<Readonly<{ lookedAt: Temporal.Instant; toldAt: Temporal.Instant }> | undefined> {
  const [row] = await select<{ looked_at: number; told_at: number }>(
    reader,
    'SELECT looked_at, told_at FROM looked WHERE person_id = :person',
    { person },
  );
  return (
    row && {
      lookedAt: Temporal.Instant.fromEpochMilliseconds(row.looked_at),
      toldAt: Temporal.Instant.fromEpochMilliseconds(row.told_at),
    }
  );
}

export async function writeLooked(
  writer: Writer,
  person: PersonId,
  { lookedAtMs, toldAtMs }: Readonly<{ lookedAtMs?: number; toldAtMs?: number }>,
): Promise<void> {
  const first = lookedAtMs ?? toldAtMs ?? 0;
  await run(
    writer,
    `INSERT INTO looked (person_id, looked_at, told_at) VALUES (:person, :first, :first)
     ON CONFLICT (person_id) DO UPDATE SET looked_at = COALESCE(:lookedAtMs, looked.looked_at),
       told_at = COALESCE(:toldAtMs, looked.told_at)`,
    { person, first, lookedAtMs: lookedAtMs ?? null, toldAtMs: toldAtMs ?? null },
  );
}
