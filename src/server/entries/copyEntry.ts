import type { Entry } from '@/core/entries/entry';
import type { SharedFacts } from '@/core/entries/facts';
import { moveEntry } from '@/core/entries/moveEntry';
import { withoutPeople } from '@/core/entries/withoutPeople';
import type { CourseId, EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import type { Change } from '@/data/history/change';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { newIdentity } from './planEntry';
import { entryFor, saveEntry } from './saveEntry';
import { termOfAudience } from './termOfAudience';

export type CopyTo = Readonly<{
  /** For everyone in these; absent: for the same audience. */
  courses?: readonly CourseId[];
  /** So many days later, with all that hangs on its date. */
  days?: number;
}>;

/**
 * A copy of an entry. When it is shown is its original's rule; what would be seen at once is a draft until it is looked at.
 * Replies, extensions and named students stay with the original.
 */
export async function copyOf(
  change: Change,
  actor: SignedIn,
  entry: Entry,
  { courses, days = 0, act }: CopyTo & Readonly<{ act: 'copyEntry' | 'actOnSeveral' }>,
): Promise<Outcome<Entry>> {
  const { author: _, ...fresh } = newIdentity(actor);
  const saving = { actor, act } as const;
  const moved = days === 0 ? entry : moveEntry(entry, { days, along: true });
  if (moved.kind === 'note') return saveEntry(change, { ...moved, ...fresh }, saving);
  const audience = courses?.map((course) => ({ course })) ?? moved.audience;
  const frame = await termOfAudience(change, actor, audience);
  if (!frame.ok) return frame;
  if (frame.value.term.tzid !== entry.tzid)
    return refused('badRequest', [
      { field: 'courses', message: 'These courses are taught in another time zone.' },
    ]);
  const visibility = moved.visibility.kind === 'visible' ? ({ kind: 'draft' } as const) : moved.visibility;
  const plain: SharedFacts = { ...withoutPeople(moved), ...fresh, audience, visibility };
  const own = plain.kind === 'assignment' ? { ...plain, setUid: `${fresh.uid}-set` } : plain;
  return saveEntry(change, own, saving);
}

/** One entry copied, for the same audience or for everyone in other courses. */
export const copyEntry = (
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  to: CopyTo = {},
): Promise<Outcome<Entry>> =>
  perform<Entry>(pembit, actor, 'copyEntry', async (change) => {
    const found = await entryFor(change, actor, 'copyEntry', id);
    if (!found.ok) return found;
    change.summarise(historyTexts.duplicated({ title: found.value.title }));
    return copyOf(change, actor, found.value, { ...to, act: 'copyEntry' });
  });
