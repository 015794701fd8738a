import type { Entry } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { removeEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';

/** Takes an entry away for everyone at once; undoing the act brings it back under its UID. */
export function deleteEntry(pembit: Pembit, actor: SignedIn, id: EntryId): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'deleteEntry', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    await removeEntry(change, found.value);
    change.summarise(historyTexts.deleted(found.value.title));
    return found;
  });
}
