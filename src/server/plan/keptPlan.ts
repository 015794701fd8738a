import type { CourseId, PersonId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import { loadPlan } from '@/data/plan/loadPlan';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

const kept = keptReads<Plan>(40);

/** What `loadPlan` reads, kept in memory until something is written: most pages follow one another without a write between. */
export function keptPlan(pembit: Pembit, courses: readonly CourseId[], author?: PersonId): Promise<Plan> {
  const key = [...courses].sort().join() + (author ? ` ${author}` : '');
  return kept(pembit, key, () => loadPlan(pembit, courses, author));
}
