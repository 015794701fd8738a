import { findingsOf } from '../checks/findings';
import type { Pembit } from '../pembit';
import { planSeenBy } from './planSeenBy';
import type { WaitingQuestions } from '../questions/questionsOn';
import { waitingQuestions } from '../questions/questionsOn';
import type { SignedIn } from '../session/session';
import type { HomelessPlans } from './homelessPlans';
import { homelessPlans } from './homelessPlans';

/** What waits for whoever plans courses: open checks of the term that is looked at, class plans without a class, questions. */
export async function waitingCounts(
  pembit: Pembit,
  actor: SignedIn,
  term: string | undefined,
): Promise<{
  checks: number;
  homeless: readonly HomelessPlans[];
  questions: readonly WaitingQuestions[];
}> {
  const [{ open }, homeless, questions] = await Promise.all([
    findingsOf(pembit, actor, term),
    homelessPlans(pembit, actor),
    planSeenBy(pembit, actor.viewer).then((plan) => waitingQuestions(pembit, actor, plan)),
  ]);
  return { checks: open.length, homeless, questions };
}
