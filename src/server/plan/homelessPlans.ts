import type { CourseId, TermId } from '@/core/ids';
import { courseNames } from '@/core/plan/courseNames';
import { waitingPlans } from '@/core/plan/waitingPlans';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { keptPlan } from './keptPlan';

/** Class plans without a class, by their course: how it is named, and their titles, each once. */
export type HomelessPlans = Readonly<{
  course: CourseId;
  key: string;
  name: string;
  titles: readonly string[];
}>;

/** The plans that wait for a class in what somebody plans, in the given terms or in all; archived courses are left out. */
export async function homelessPlans(
  pembit: Pembit,
  actor: SignedIn,
  terms?: ReadonlySet<TermId>,
): Promise<HomelessPlans[]> {
  const plan = await keptPlan(pembit, [...actor.viewer.staffOf]);
  const names = courseNames(plan.courses, plan.terms);
  return plan.courses
    .filter(({ archived, term }) => !archived && (!terms || terms.has(term)))
    .map((course) => {
      const { key, name } = names.get(course.id)!;
      const waiting = waitingPlans(course, plan.classPlans);
      return {
        course: course.id,
        key,
        name,
        titles: [...new Set(waiting.map(({ plan: { title } }) => title))],
      };
    })
    .filter(({ titles }) => titles.length > 0);
}
