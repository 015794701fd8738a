import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { studentTexts } from '@/core/texts/student';
import { doneBy, markDone } from '@/data/students/students';
import { perform } from '../history/perform';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';

const kept = keptReads<ReadonlySet<EntryId>>(2000);

/** The entries that somebody has ticked. */
export const doneOf = (pembit: Pembit, { person }: SignedIn): Promise<ReadonlySet<EntryId>> =>
  kept(pembit, person.id, () => doneBy(pembit, person.id));

/** Ticks work as done, or takes the tick away: for oneself alone. */
export async function tickDone(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  isDone: boolean,
): Promise<Outcome<{ done: boolean }>> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const entry = plan.entries.find((e) => e.id === id);
  if (entry?.kind !== 'assignment') return refused('notFound');
  return perform(
    pembit,
    actor,
    'tickDone',
    async (change) => {
      await markDone(change, actor.person.id, id, isDone);
      change.summarise(
        isDone ? studentTexts.didIt({ title: entry.title }) : studentTexts.notDone({ title: entry.title }),
      );
      return done({ done: isDone });
    },
    { locks: [`person:${actor.person.id}`] },
  );
}
