import type { Temporal } from 'temporal-polyfill';
import type { Entry } from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import { moveEntry } from '@/core/entries/moveEntry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { isSeries, shiftedOccurrence } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { replaceEntry } from '@/data/entries/entries';
import type { Change } from '@/data/history/change';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { datedByClasses } from './followClasses';
import { occurrenceAt } from './occurrenceAt';

export type Shifted = Readonly<{
  id: EntryId;
  /** One occurrence of a series; absent: the whole entry. */
  recurrenceId?: Temporal.PlainDate | Temporal.PlainDateTime;
  /** By how many days, where they differ. */
  days?: number;
}>;
type By = Readonly<{ days: number; along: boolean }>;

/** Moves entries by days, each alone or with what hangs on its date: all of them, or none. */
export function shiftEntries(
  pembit: Pembit,
  actor: SignedIn,
  items: readonly Shifted[],
  by: By,
): Promise<Outcome<Entry[]>> {
  return perform(pembit, actor, 'shiftEntries', async (change) => {
    const moved: Entry[] = [];
    for (const item of items) {
      const after = await shiftOne(pembit, change, actor, item, by);
      if (!after.ok) return after;
      moved.push(after.value);
    }
    const { locale } = await schoolSettings(change);
    const [first] = moved;
    change.summarise(
      moved.length === 1 && first
        ? historyTexts.moved(first.title, momentLabel(mainMoment(first), locale))
        : historyTexts.movedSeveral(moved.length),
    );
    return done(moved);
  });
}

async function shiftOne(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { id, recurrenceId, days: own }: Shifted,
  { days: all, along }: By,
): Promise<Outcome<Entry>> {
  const days = own ?? all;
  const found = await editableEntry(change, actor.viewer, id);
  if (!found.ok) return found;
  const before = found.value;
  const now = pembit.now();
  if (!recurrenceId) {
    const moved = moveEntry(before, { days, along, zone: requireZone(before.tzid), now });
    const after = await datedByClasses(change, moved);
    await replaceEntry(change, before, after);
    return done(after);
  }
  const at = before.kind === 'event' && isSeries(before) ? occurrenceAt(before, recurrenceId) : undefined;
  if (before.kind !== 'event' || !isSeries(before) || !at)
    return refused('badRequest', [{ field: 'recurrenceId', message: 'The series has no such occurrence.' }]);
  const after = {
    ...shiftedOccurrence(before, at, days),
    sequence: before.sequence + 1,
    lastModified: now,
  };
  await replaceEntry(change, before, after);
  return done(after);
}
