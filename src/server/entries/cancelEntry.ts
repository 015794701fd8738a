import type { Entry } from '@/core/entries/entry';
import type { EntryFacts } from '@/core/entries/facts';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { isSeries, overrideOccurrence } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { occurrenceAt, titleAt } from './occurrenceAt';
import { entryFor, saveEntry } from './saveEntry';
import type { Temporal } from 'temporal-polyfill';

type Asked = Readonly<{
  /** Why; absent: it takes place after all. */
  reason?: string;
  /** One occurrence of a series; absent: all of it. */
  recurrenceId?: Temporal.PlainDate | Temporal.PlainDateTime;
}>;

/** Calls an entry off, visibly, with a reason; or takes that back. */
export function cancelEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { reason, recurrenceId }: Asked,
): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'cancelEntry', async (change) => {
    const found = await entryFor(change, actor, 'cancelEntry', id);
    if (!found.ok) return found;
    const entry = found.value;
    if (entry.kind === 'note')
      return refused('badRequest', [{ field: 'id', message: 'Delete a note instead.' }]);
    const save = (facts: EntryFacts, title = entry.title) => {
      change.summarise(
        reason === undefined ? historyTexts.takesPlace({ title }) : historyTexts.cancelled({ title }),
      );
      return saveEntry(change, facts, { actor, act: 'cancelEntry', before: entry });
    };
    if (!recurrenceId) {
      const { cancelled: _, ...others } = entry;
      return save({ ...others, ...(reason === undefined ? {} : { cancelled: reason }) });
    }
    const at = entry.kind === 'event' && isSeries(entry) ? occurrenceAt(entry, recurrenceId) : undefined;
    if (entry.kind !== 'event' || !isSeries(entry) || !at)
      return refused('badRequest', [
        { field: 'recurrenceId', message: 'The series has no such occurrence.' },
      ]);
    return save(overrideOccurrence(entry, at, { cancelled: reason }), titleAt(entry.title, at));
  });
}
