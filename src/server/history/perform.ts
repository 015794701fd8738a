import type { Outcome, Refused } from '@/core/refusals';
import { refused } from '@/core/refusals';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { anyArchived } from '@/data/plan/frameStore';
import { coursesAmong } from '@/data/history/stamps';
import type { Act } from '@/core/may/acts';
import { isDoneInArchive } from '@/core/may/acts';
import { actsIn } from '@/core/may/undoing';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Carries a refusal out of a transaction, so that it rolls back. */
class Rollback extends Error {
  constructor(readonly refusal: Refused) {
    super(refusal.reason);
  }
}

/**
 * Whether an act concerns an archived course in which it is not done. Asked of what the act has come to concern, whichever
 * door it came by; undoing is the reverse act.
 */
async function reachesArchive(change: Change, actor: SignedIn): Promise<boolean> {
  const asOffice = actor.person.isAdmin;
  const acts = actsIn(change.actsAs());
  if (acts.length === 0 || acts.some((act) => isDoneInArchive(act, { asOffice }))) return false;
  return anyArchived(change, coursesAmong(change.concerned()));
}

/**
 * One use case, one transaction: `work` loads, decides and saves; a refusal leaves everything as it was.
 * The outcome carries the history id by which the act can be undone. `first` is asked when it is this act's turn: what it
 * refuses needs no transaction. `locks` is all that it decides about, where nothing else can change its answer but acts that are alone.
 */
export async function perform<T>(
  pembit: Pembit,
  actor: SignedIn,
  act: Act | 'undo',
  work: (change: Change) => Promise<Outcome<T>>,
  { first, locks }: Readonly<{ first?: () => Promise<Outcome<unknown>>; locks?: readonly string[] }> = {},
): Promise<Outcome<T>> {
  const nowMs = pembit.now().epochMilliseconds;
  try {
    const { result, history } = await recordChange(
      pembit.queue,
      { act, summary: act, actor: actor.person.id, nowMs, locks },
      async (change) => {
        if (actor.unchanged && !(await actor.unchanged(change)))
          throw new Rollback(refused('changedMeanwhile'));
        const outcome = await work(change);
        if (!outcome.ok) throw new Rollback(outcome);
        if (await reachesArchive(change, actor)) throw new Rollback(refused('archived'));
        return outcome;
      },
      first &&
        (async () => {
          const outcome = await first();
          if (!outcome.ok) throw new Rollback(outcome);
        }),
    );
    return { ...result, history };
  } catch (error) {
    if (error instanceof Rollback) return error.refusal;
    throw error;
  }
}
