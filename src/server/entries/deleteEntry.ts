import type { Entry } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { endBefore, isSeries, skipOccurrence } from '@/core/series/editSeries';
import type { Scope } from '@/core/series/scope';
import { historyTexts } from '@/core/texts/history';
import { removeEntry } from '@/data/entries/writeEntries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { entryFor, saveEntry } from './saveEntry';
import { occurrenceAt, titleAt } from './occurrenceAt';

/**
 * Takes an entry away for everyone at once: all of it, one occurrence of a series, or this one and the later ones.
 * Undoing the act brings it back under its UID.
 */
export function deleteEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { scope, recurrenceId }: Scope = { scope: 'all' },
): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'deleteEntry', async (change) => {
    const found = await entryFor(change, actor, 'deleteEntry', id);
    if (!found.ok) return found;
    const entry = found.value;
    change.summarise(historyTexts.deleted({ title: entry.title }));
    if (scope === 'all' || entry.kind !== 'event' || !isSeries(entry)) {
      await removeEntry(change, entry);
      return found;
    }
    const at = occurrenceAt(entry, recurrenceId);
    if (!at)
      return refused('badRequest', [
        { field: 'recurrenceId', message: 'The series has no such occurrence.' },
      ]);
    if (scope === 'this') change.summarise(historyTexts.deleted({ title: titleAt(entry.title, at) }));
    const left = scope === 'this' ? skipOccurrence(entry, at) : endBefore(entry, at);
    if (!left) {
      await removeEntry(change, entry);
      return found;
    }
    return saveEntry(change, left, { actor, act: 'deleteEntry', before: entry });
  });
}
