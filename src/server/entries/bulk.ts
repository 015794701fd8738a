import type { SharedEntry } from '@/core/entries/entry';
import { withInstants } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { everythingTexts } from '@/core/texts/everything';
import { requireZone } from '@/core/time/zoneData';
import { removeEntry, replaceEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';

type BulkAct = 'delete' | 'cancel' | 'show' | 'draft';

const changed = (entry: SharedEntry, act: Exclude<BulkAct, 'delete'>): SharedEntry => {
  switch (act) {
    case 'cancel':
      return { ...entry, cancelled: entry.cancelled ?? '' };
    case 'show':
      return { ...entry, visibility: { kind: 'visible' } };
    case 'draft':
      return { ...entry, visibility: { kind: 'draft' } };
    default:
      return act satisfies never;
  }
};

/** One act on several entries: all of them, or none, and one undo. */
export function actOnSeveral(
  pembit: Pembit,
  actor: SignedIn,
  ids: readonly EntryId[],
  act: BulkAct,
): Promise<Outcome<{ changed: number }>> {
  return perform(pembit, actor, 'actOnSeveral', async (change) => {
    for (const id of ids) {
      const found = await editableEntry(change, actor.viewer, id);
      if (!found.ok) return found;
      const entry = found.value;
      if (act === 'delete') await removeEntry(change, entry);
      else if (entry.kind === 'note')
        return refused('badRequest', [{ field: 'ids', message: `“${entry.title}” is a private note.` }]);
      else {
        const after = {
          ...changed(entry, act),
          sequence: entry.sequence + 1,
          lastModified: pembit.now(),
        };
        await replaceEntry(change, entry, withInstants(after, requireZone(entry.tzid)));
      }
    }
    change.summarise(everythingTexts.did[act](ids.length));
    return done({ changed: ids.length });
  });
}
