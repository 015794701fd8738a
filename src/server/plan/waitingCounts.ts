import { findingsOf } from '../checks/findings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { HomelessPlans } from './homelessPlans';
import { homelessPlans } from './homelessPlans';

/** What waits for whoever plans courses: open checks of the term that is looked at, and class plans without a class. */
export async function waitingCounts(
  pembit: Pembit,
  actor: SignedIn,
  term: string | undefined,
): Promise<{ checks: number; homeless: readonly HomelessPlans[] }> {
  const [{ open }, homeless] = await Promise.all([
    findingsOf(pembit, actor, term),
    homelessPlans(pembit, actor),
  ]);
  return { checks: open.length, homeless };
}
