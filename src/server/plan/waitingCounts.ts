import { waitingPlans } from '@/core/plan/waitingPlans';
import { findingsOf } from '../checks/findings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { keptPlan } from './keptPlan';

/** What waits for whoever plans courses: open checks, and class plans without a class by the course's code; archived courses are left out. */
export async function waitingCounts(
  pembit: Pembit,
  actor: SignedIn,
): Promise<{
  checks: number;
  homeless: readonly Readonly<{ code: string; count: number }>[];
}> {
  const [{ open }, plan] = await Promise.all([
    findingsOf(pembit, actor),
    keptPlan(pembit, [...actor.viewer.staffOf]),
  ]);
  return {
    checks: open.length,
    homeless: plan.courses
      .filter((course) => !course.archived)
      .map((course) => ({ code: course.code, count: waitingPlans(course, plan.classPlans).length })),
  };
}
