import { randomUUID } from 'node:crypto';
import type { Answer } from '@/core/entries/entry';
import { seenBy } from '@/core/entries/seenBy';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { select } from '@/data/database';
import { entryById } from '@/data/entries/entries';
import type { Rows } from '@/data/rows';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** A student says whether they are coming; beyond the seats nobody can be. */
export function reply(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  answer: Answer,
): Promise<Outcome<{ answer: Answer }>> {
  return perform(pembit, actor, 'reply', async (change) => {
    const entry = await entryById(change, id);
    const seen = entry && seenBy(actor.viewer, entry, pembit.now());
    if (entry?.kind !== 'event' || !entry.coming || !seen || seen.asStaff || seen.release !== 'shown')
      return refused('notFound');
    const { seats, replies } = entry.coming;
    const others = replies.filter((r) => r.answer === 'coming' && r.person !== actor.person.id).length;
    if (answer === 'coming' && seats !== undefined && others >= seats) return refused('seatsTaken');
    const [known] = await select<Rows['replies']>(
      change,
      'SELECT * FROM replies WHERE entry_id = :id AND person_id = :person',
      { id, person: actor.person.id },
    );
    if (known) await change.update('replies', known.id, { answer });
    else
      await change.insert('replies', [
        { id: randomUUID(), entry_id: id, person_id: actor.person.id, answer },
      ]);
    change.concerns(...entry.audience.map((part) => `course:${part.course}` as const));
    change.tell({ type: 'replied', subject: id, scopes: [`person:${actor.person.id}`], payload: {} });
    change.summarise(historyTexts.replied(entry.title));
    return done({ answer });
  });
}
