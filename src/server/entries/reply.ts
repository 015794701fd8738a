import { hasSeatFor } from '@/core/entries/coming';
import type { Answer } from '@/core/entries/entry';
import { seenBy } from '@/core/entries/seenBy';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { entryById } from '@/data/entries/entries';
import { writeReply } from '@/data/entries/replies';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { passOnSeats } from './passOnSeats';

/** A student says whether they are coming, or waits for a seat where all are taken; a seat that this frees is passed on. */
export async function reply(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  answer: Answer,
): Promise<Outcome<{ answer: Answer }>> {
  const outcome = await perform(pembit, actor, 'reply', async (change) => {
    const entry = await entryById(change, id);
    const seen = entry && seenBy(actor.viewer, entry, pembit.now());
    if (entry?.kind !== 'event' || !entry.coming || !seen || seen.asStaff || seen.release !== 'shown')
      return refused('notFound');
    const hasSeat = hasSeatFor(entry.coming, actor.person.id);
    if (answer === 'coming' && !hasSeat) return refused('seatsTaken');
    if (answer === 'waiting' && hasSeat) return refused('seatsFree');
    await writeReply(change, id, { person: actor.person.id, answer });
    change.concerns(...entry.audience.map((part) => `course:${part.course}` as const));
    change.tell({ type: 'replied', subject: id, scopes: [`person:${actor.person.id}`], payload: {} });
    change.summarise(historyTexts.replied({ title: entry.title }));
    return done({ answer });
  });
  if (outcome.ok) await passOnSeats(pembit, id);
  return outcome;
}
