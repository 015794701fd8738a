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
import type { Change } from '@/data/history/change';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { occurrenceAt } from './occurrenceAt';
import { entryFor, saveEntry } from './saveEntry';

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
      const after = await shiftOne(change, actor, item, by);
      if (!after.ok) return after;
      moved.push(after.value);
    }
    const { locale } = await schoolSettings(change);
    const [first] = moved;
    change.summarise(
      moved.length === 1 && first
        ? historyTexts.moved({ title: first.title, when: momentLabel(mainMoment(first), locale) })
        : historyTexts.movedSeveral({ n: moved.length }),
    );
    return done(moved);
  });
}

async function shiftOne(
  change: Change,
  actor: SignedIn,
  { id, recurrenceId, days: own }: Shifted,
  { days: all, along }: By,
): Promise<Outcome<Entry>> {
  const days = own ?? all;
  const found = await entryFor(change, actor, 'shiftEntries', id);
  if (!found.ok) return found;
  const before = found.value;
  const saving = { actor, act: 'shiftEntries', before } as const;
  if (!recurrenceId) return saveEntry(change, moveEntry(before, { days, along }), saving);
  const at = before.kind === 'event' && isSeries(before) ? occurrenceAt(before, recurrenceId) : undefined;
  if (before.kind !== 'event' || !isSeries(before) || !at)
    return refused('badRequest', [{ field: 'recurrenceId', message: 'The series has no such occurrence.' }]);
  return saveEntry(change, shiftedOccurrence(before, at, days), saving);
}
