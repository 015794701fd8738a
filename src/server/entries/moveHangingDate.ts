import type { Entry } from '@/core/entries/entry';
import { dateErrorsOf } from '@/core/entries/entryFromInput';
import type { Hanging } from '@/core/entries/moveDate';
import { moveDate } from '@/core/entries/moveDate';
import { withInstants } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { replaceEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { datedByClasses } from './followClasses';

/** Moves one of the dates that hang on an entry by days: what is dragged on its line of dates. */
export function moveHangingDate(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { field, days }: { field: Hanging; days: number },
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'moveHangingDate', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    const before = found.value;
    const moved = before.kind === 'note' ? undefined : moveDate(before, field, days);
    if (!moved) return refused('badRequest', [{ field: 'field', message: 'This has no such date.' }]);
    const errors = moved.kind === 'assignment' ? dateErrorsOf(moved) : [];
    if (errors.length > 0) return refused('badRequest', errors);
    const grown = { ...moved, sequence: before.sequence + 1, lastModified: pembit.now() };
    const after = await datedByClasses(change, withInstants(grown, requireZone(grown.tzid)));
    await replaceEntry(change, before, after);
    change.summarise(historyTexts.changed(after.title));
    return done(after);
  });
}
