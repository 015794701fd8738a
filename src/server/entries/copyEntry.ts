import type { Entry } from '@/core/entries/entry';
import type { SharedFacts } from '@/core/entries/facts';
import { withoutPeople } from '@/core/entries/withoutPeople';
import type { CourseId, EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { newIdentity } from './planEntry';
import { entryFor, saveEntry } from './saveEntry';
import { termOfAudience } from './termOfAudience';

/**
 * A copy of an entry, for the same audience or for everyone in other courses. When it is shown is its original's rule; what
 * would be seen at once is a draft until it is looked at. Replies, extensions and named students stay with the original.
 */
export function copyEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  courses?: readonly CourseId[],
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'copyEntry', async (change) => {
    const found = await entryFor(change, actor, 'copyEntry', id);
    if (!found.ok) return found;
    const entry = found.value;
    const { author: _, ...fresh } = newIdentity(actor);
    const saving = { actor, act: 'copyEntry' } as const;
    change.summarise(historyTexts.duplicated(entry.title));
    if (entry.kind === 'note') return saveEntry(change, { ...entry, ...fresh }, saving);
    const audience = courses?.map((course) => ({ course })) ?? entry.audience;
    const frame = await termOfAudience(change, actor, audience);
    if (!frame.ok) return frame;
    if (frame.value.term.tzid !== entry.tzid)
      return refused('badRequest', [
        { field: 'courses', message: 'These courses are taught in another time zone.' },
      ]);
    const visibility = entry.visibility.kind === 'visible' ? ({ kind: 'draft' } as const) : entry.visibility;
    const plain: SharedFacts = { ...withoutPeople(entry), ...fresh, audience, visibility };
    const own = plain.kind === 'assignment' ? { ...plain, setUid: `${fresh.uid}-set` } : plain;
    return saveEntry(change, own, saving);
  });
}
