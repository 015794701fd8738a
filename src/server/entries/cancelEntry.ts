import type { Entry, SharedEntry } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { isSeries, overrideOccurrence } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { entryById, replaceEntry } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { occurrenceAt } from './occurrenceAt';
import type { Temporal } from 'temporal-polyfill';

type Asked = Readonly<{
  /** Why; absent: it takes place after all. */
  reason?: string;
  /** One occurrence of a series; absent: all of it. */
  recurrenceId?: Temporal.PlainDate | Temporal.PlainDateTime;
}>;

const mayCancel = (actor: SignedIn, entry: Entry): boolean =>
  entry.kind === 'note'
    ? entry.author === actor.person.id
    : may(actor, 'cancelEntry', { parts: entry.audience }).ok;

/** Calls an entry off, visibly, with a reason; or takes that back. */
export function cancelEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { reason, recurrenceId }: Asked,
): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'cancelEntry', async (change) => {
    const entry = await entryById(change, id);
    if (!entry || !mayCancel(actor, entry)) return refused('notFound');
    if (entry.kind === 'note')
      return refused('badRequest', [{ field: 'id', message: 'Delete a note instead.' }]);
    const grown = { sequence: entry.sequence + 1, lastModified: pembit.now() };
    const save = async (after: SharedEntry) => {
      await replaceEntry(change, entry, after);
      change.summarise(
        reason === undefined ? historyTexts.takesPlace(entry.title) : historyTexts.cancelled(entry.title),
      );
      return done(after as Entry);
    };
    if (!recurrenceId) {
      const { cancelled: _, ...others } = entry;
      return save({
        ...others,
        ...grown,
        ...(reason === undefined ? {} : { cancelled: reason }),
      } as SharedEntry);
    }
    const at = entry.kind === 'event' && isSeries(entry) ? occurrenceAt(entry, recurrenceId) : undefined;
    if (entry.kind !== 'event' || !isSeries(entry) || !at)
      return refused('badRequest', [
        { field: 'recurrenceId', message: 'The series has no such occurrence.' },
      ]);
    return save({ ...overrideOccurrence(entry, at, { cancelled: reason }), ...grown });
  });
}
