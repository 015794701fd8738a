import type { CourseAudience } from '@/core/entries/entry';
import type { Viewer } from '@/core/entries/viewer';
import { isStaffOf } from '@/core/entries/viewer';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Term } from '@/core/time/term';
import type { Reader } from '@/data/database';
import { loadFrame } from '@/data/plan/loadPlan';

/**
 * The term whose zone an audience's times are in: that of its first course. Refused unless the viewer teaches every
 * course named and every section belongs to its course.
 */
export async function termOfAudience(
  reader: Reader,
  viewer: Viewer,
  audience: readonly CourseAudience[],
): Promise<Outcome<{ term: Term; courses: readonly Course[] }>> {
  if (!audience.every((part) => isStaffOf(viewer, part.course))) return refused('notYours');
  const { courses, terms } = await loadFrame(
    reader,
    audience.map((part) => part.course),
  );
  for (const [i, part] of audience.entries()) {
    const course = courses.find((c) => c.id === part.course);
    const known = new Set(course?.sections.map((section) => section.id));
    if (!course || !(part.sections ?? []).every((section) => known.has(section)))
      return refused('badRequest', [
        { field: `audience.${i}.sections`, message: 'This section is not in the course.' },
      ]);
  }
  const term = terms.find((t) => t.id === courses.find((c) => c.id === audience[0]?.course)?.term);
  return term ? done({ term, courses }) : refused('notFound');
}
