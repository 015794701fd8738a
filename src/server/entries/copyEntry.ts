import type { Entry, SharedEntry } from '@/core/entries/entry';
import { withoutPeople } from '@/core/entries/withoutPeople';
import type { CourseId, EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { insertEntries } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { datedByClasses } from './followClasses';
import { newIdentity } from './planEntry';
import { termOfAudience } from './termOfAudience';

/**
 * A copy of an entry, for the same audience or for everyone in other courses; a draft until it is looked at. Replies,
 * extensions and named students stay with the original.
 */
export function copyEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  courses?: readonly CourseId[],
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'copyEntry', async (change) => {
    const found = await editableEntry(change, actor.viewer, id);
    if (!found.ok) return found;
    const entry = found.value;
    const { author: _, ...identity } = newIdentity(actor, pembit.now());
    const fresh = { ...identity, lastModified: identity.created };
    if (entry.kind === 'note') {
      const note = { ...entry, ...fresh };
      await insertEntries(change, [note]);
      return done(note);
    }
    const audience = courses?.map((course) => ({ course })) ?? entry.audience;
    const frame = await termOfAudience(change, actor, audience);
    if (!frame.ok) return frame;
    if (frame.value.term.tzid !== entry.tzid)
      return refused('badRequest', [
        { field: 'courses', message: 'These courses are taught in another time zone.' },
      ]);
    const plain: SharedEntry = { ...withoutPeople(entry), ...fresh, audience, visibility: { kind: 'draft' } };
    const own = plain.kind === 'assignment' ? { ...plain, setUid: `${fresh.uid}-set` } : plain;
    const copy = await datedByClasses(change, own);
    await insertEntries(change, [copy]);
    change.summarise(historyTexts.duplicated(copy.title));
    return done(copy);
  });
}
