import type { CourseId, TermId } from '@/core/ids';
import { courseNames } from '@/core/plan/courseNames';
import type { SeenPlan } from '@/core/plan/seenPlan';

/** The courses that a view shows: those of the given terms, or of all, that are neither archived nor switched off. */
export function shownCourses(
  { courses, terms }: SeenPlan,
  off: ReadonlySet<string>,
  of?: ReadonlySet<TermId>,
): ReadonlySet<CourseId> {
  const names = courseNames(courses, terms);
  return new Set(
    courses
      .filter(({ id, term, archived }) => !archived && !off.has(names.get(id)!.key) && (!of || of.has(term)))
      .map(({ id }) => id),
  );
}
