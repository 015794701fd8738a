import { hasSeatFor } from '@/core/entries/coming';
import type { EntryId, PersonId } from '@/core/ids';
import type { Refused } from '@/core/refusals';
import { refused } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import { entryById } from '@/data/entries/entries';
import type { HistoryRecord } from '@/data/history/undo';

/** Why an answer cannot be taken back: the seat that it would have again is somebody else's by now. */
export async function refusalOfReplies(
  reader: Reader,
  { changes }: HistoryRecord,
): Promise<Refused | undefined> {
  for (const { table, before, after } of changes) {
    if (table !== 'replies' || before?.answer !== 'coming' || after?.answer === 'coming') continue;
    // What comes back with its event has the seats that it had.
    const entry = await entryById(reader, before.entry_id as EntryId);
    const coming = entry?.kind === 'event' ? entry.coming : undefined;
    if (coming && !hasSeatFor(coming, before.person_id as PersonId)) return refused('seatsTaken');
  }
  return undefined;
}
