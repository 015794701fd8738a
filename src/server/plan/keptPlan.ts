import type { Entry } from '@/core/entries/entry';
import type { CourseId, PersonId } from '@/core/ids';
import { mergePlans } from '@/core/plan/mergePlans';
import type { Plan } from '@/core/plan/plan';
import { notesOf } from '@/data/entries/entries';
import type { StampScope } from '@/data/history/stamps';
import { loadPlan } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

/** As many as a large school has in a term: whoever takes five of them finds most of them read. */
const keptCourses = keptReads<Plan>(240);
const keptNotes = keptReads<readonly Entry[]>(200);

/**
 * What `loadPlan` reads, kept in memory course by course until something is written that concerns the course: most pages
 * follow one another without a write between, and those who share a course share what was read of it.
 */
export async function keptPlan(
  pembit: Pembit,
  courses: readonly CourseId[],
  author?: PersonId,
): Promise<Plan> {
  const [notes, ...plans] = await Promise.all([
    author ? keptNotes(pembit, author, () => notesOf(pembit, author), [`person:${author}`]) : [],
    ...courses.map((course) =>
      keptCourses(pembit, course, () => loadPlan(pembit, [course]), [`course:${course}`]),
    ),
  ]);
  const locale = plans[0]?.locale ?? (await schoolSettings(pembit)).locale;
  const plan = mergePlans(plans, locale);
  return notes.length === 0 ? plan : { ...plan, entries: [...plan.entries, ...notes] };
}

/** What a plan of some courses, with somebody's notes, hangs on. */
export const scopesOf = (courses: readonly CourseId[], person?: PersonId): StampScope[] => [
  ...courses.map((course): StampScope => `course:${course}`),
  ...(person ? [`person:${person}` as const] : []),
];
