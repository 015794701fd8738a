import type { Entry } from '@/core/entries/entry';
import type { Hanging } from '@/core/entries/moveDate';
import { moveDate } from '@/core/entries/moveDate';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { entryFor, saveEntry } from './saveEntry';

/** Moves one of the dates that hang on an entry by days: what is dragged on its line of dates. */
export function moveHangingDate(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { field, days }: { field: Hanging; days: number },
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'moveHangingDate', async (change) => {
    const found = await entryFor(change, actor, 'moveHangingDate', id);
    if (!found.ok) return found;
    const before = found.value;
    const moved = before.kind === 'note' ? undefined : moveDate(before, field, days);
    if (!moved) return refused('badRequest', [{ field: 'field', message: 'This has no such date.' }]);
    change.summarise(historyTexts.changed({ title: moved.title }));
    return saveEntry(change, moved, { actor, act: 'moveHangingDate', before });
  });
}
