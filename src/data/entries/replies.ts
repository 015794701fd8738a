import { randomUUID } from 'node:crypto';
import type { Answer } from '@/core/entries/entry';
import type { EntryId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** Writes what somebody answers; whoever begins to wait waits from now. */
export async function writeReply(
  change: Change,
  entry: EntryId,
  { person, answer }: Readonly<{ person: PersonId; answer: Answer }>,
): Promise<void> {
  const [known] = await select<Rows['replies']>(
    change,
    'SELECT * FROM replies WHERE entry_id = :entry AND person_id = :person',
    { entry, person },
  );
  const facts = {
    answer,
    waiting_since: answer === 'waiting' ? (known?.waiting_since ?? change.nowMs) : null,
  };
  if (known) await change.update('replies', known.id, facts);
  else await change.insert('replies', [{ id: randomUUID(), entry_id: entry, person_id: person, ...facts }]);
}

/** Takes somebody's answer away, where they have given one. */
export async function removeReply(change: Change, entry: EntryId, person: PersonId): Promise<void> {
  const rows = await select<{ id: string }>(
    change,
    'SELECT id FROM replies WHERE entry_id = :entry AND person_id = :person',
    { entry, person },
  );
  for (const { id } of rows) await change.remove('replies', id);
}

/** The events at which somebody waits for a seat. */
export async function entriesWaitedFor(reader: Reader): Promise<EntryId[]> {
  const rows = await select<{ entry_id: string }>(
    reader,
    'SELECT DISTINCT entry_id FROM replies WHERE waiting_since IS NOT NULL',
  );
  return rows.map(({ entry_id: id }) => id as EntryId);
}
