import type { Entry } from '@/core/entries/entry';
import { moveEntry } from '@/core/entries/moveEntry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { replaceEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';

/** Moves an entry by days, alone or with what hangs on its date. */
export function shiftEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { days, along }: { days: number; along: boolean },
): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'shiftEntry', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    const zone = requireZone(found.value.tzid);
    const after = moveEntry(found.value, { days, along, zone, now: pembit.now() });
    await replaceEntry(change, found.value, after);
    const start = after.kind === 'assignment' ? after.due : after.when.start;
    change.summarise(historyTexts.moved(after.title, momentLabel(start)));
    return done(after);
  });
}
