import type { Line } from '@/core/entries/changeLine';
import { changeLine } from '@/core/entries/changeLine';
import type { Entry } from '@/core/entries/entry';
import { dateErrorsOf } from '@/core/entries/entryFromInput';
import { withInstants } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { isSeries } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { Temporal } from 'temporal-polyfill';
import { replaceEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { datedByClasses } from './followClasses';

/** Changes title, day and time of an entry where it stands in the plain list. */
export function changeEntryLine(
  pembit: Pembit,
  actor: SignedIn,
  { id, sequence }: { id: EntryId; sequence: number },
  line: Line,
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'changeEntryLine', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    const before = found.value;
    if (before.sequence !== sequence) return refused('changedMeanwhile');
    if (before.kind === 'event' && isSeries(before))
      return refused('badRequest', [{ field: 'on', message: 'A series is changed in the panel.' }]);
    if (before.kind === 'announcement' && line.on instanceof Temporal.PlainDateTime)
      return refused('badRequest', [{ field: 'on', message: 'An announcement has no time of day.' }]);
    const changed = changeLine(before, line);
    const errors = changed.kind === 'assignment' ? dateErrorsOf(changed) : [];
    if (errors.length > 0) return refused('badRequest', errors);
    const grown = { ...changed, sequence: before.sequence + 1, lastModified: pembit.now() };
    const dated = grown.kind === 'note' ? grown : withInstants(grown, requireZone(grown.tzid));
    const after = await datedByClasses(change, dated);
    await replaceEntry(change, before, after);
    change.summarise(historyTexts.changed(after.title));
    return done(after);
  });
}
