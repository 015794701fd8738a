import type { Line } from '@/core/entries/changeLine';
import { changeLine } from '@/core/entries/changeLine';
import type { Entry } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { isSeries } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { Temporal } from 'temporal-polyfill';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { entryFor, saveEntry } from './saveEntry';

/** Changes title, day and time of an entry where it stands in the plain list. */
export function changeEntryLine(
  pembit: Pembit,
  actor: SignedIn,
  { id, sequence }: { id: EntryId; sequence: number },
  line: Line,
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'changeEntryLine', async (change) => {
    const found = await entryFor(change, actor, 'changeEntryLine', id);
    if (!found.ok) return found;
    const before = found.value;
    if (before.sequence !== sequence) return refused('changedMeanwhile');
    if (before.kind === 'event' && isSeries(before))
      return refused('badRequest', [{ field: 'on', message: 'A series is changed in the panel.' }]);
    if (before.kind === 'announcement' && line.on instanceof Temporal.PlainDateTime)
      return refused('badRequest', [{ field: 'on', message: 'An announcement has no time of day.' }]);
    const after = changeLine(before, line);
    change.summarise(historyTexts.changed({ title: after.title }));
    return saveEntry(change, after, { actor, act: 'changeEntryLine', before });
  });
}
