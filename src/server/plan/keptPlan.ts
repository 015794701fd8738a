import type { CourseId, PersonId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import type { StampScope } from '@/data/history/stamps';
import { loadPlan } from '@/data/plan/loadPlan';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

const kept = keptReads<Plan>(24);

/** What `loadPlan` reads, kept in memory until something is written: most pages follow one another without a write between. */
export function keptPlan(pembit: Pembit, courses: readonly CourseId[], author?: PersonId): Promise<Plan> {
  const key = [...courses].sort().join() + (author ? ` ${author}` : '');
  return kept(pembit, key, () => loadPlan(pembit, courses, author), scopesOf(courses, author));
}

/** What a plan of some courses, with somebody's notes, hangs on. */
export const scopesOf = (courses: readonly CourseId[], person?: PersonId): StampScope[] => [
  ...courses.map((course): StampScope => `course:${course}`),
  ...(person ? [`person:${person}` as const] : []),
];
