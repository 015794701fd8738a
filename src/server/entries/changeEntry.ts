import type { Entry } from '@/core/entries/entry';
import { dateErrors, entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
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
import { termOfAudience } from './termOfAudience';

/**
 * Writes an entry anew, under the same UID. `sequence` is the one that was shown when editing began: when it has grown
 * since, nothing is written. An entry keeps its kind.
 */
export function changeEntry(
  pembit: Pembit,
  actor: SignedIn,
  { id, sequence }: { id: EntryId; sequence: number },
  input: EntryInput,
): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'changeEntry', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    const before = found.value;
    if (before.kind !== input.kind)
      return refused('badRequest', [{ field: 'kind', message: 'An entry keeps its kind.' }]);
    if (before.sequence !== sequence) return refused('changedMeanwhile');
    const errors = dateErrors(input);
    if (errors.length > 0) return refused('badRequest', errors);
    const frame = await termOfAudience(change, actor.viewer, input.audience);
    if (!frame.ok) return frame;
    const identity = { id, uid: before.uid, sequence: before.sequence + 1, created: before.created };
    const after = entryFromInput(input, identity, requireZone(frame.value.term.tzid), pembit.now());
    await replaceEntry(change, before, after);
    change.summarise(historyTexts.changed(after.title));
    return done(after);
  });
}
