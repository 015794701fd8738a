import { courseNames } from '@/core/plan/courseNames';
import { waitingPlans } from '@/core/plan/waitingPlans';
import { findingsOf } from '../checks/findings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { keptPlan } from './keptPlan';

/** What waits for whoever plans courses: open checks, and class plans without a class by their course; archived courses are left out. */
export async function waitingCounts(
  pembit: Pembit,
  actor: SignedIn,
  term: string | undefined,
): Promise<{
  checks: number;
  homeless: readonly Readonly<{ key: string; name: string; count: number }>[];
}> {
  const [{ open }, plan] = await Promise.all([
    findingsOf(pembit, actor, term),
    keptPlan(pembit, [...actor.viewer.staffOf]),
  ]);
  const names = courseNames(plan.courses, plan.terms);
  return {
    checks: open.length,
    homeless: plan.courses
      .filter((course) => !course.archived)
      .map((course) => ({ ...names.get(course.id)!, count: waitingPlans(course, plan.classPlans).length })),
  };
}
