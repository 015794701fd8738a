import type { CourseId, PersonId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import { loadPlan } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';

type Kept = Readonly<{ version: number; plan: Promise<Plan> }>;
const MOST = 40;

// For each open data folder; the longest unused plan goes first.
const keptBy = new WeakMap<Pembit['queue'], Map<string, Kept>>();

/**
 * What `loadPlan` reads, kept in memory until something is written: most pages follow one another without a write between.
 * Only for reading: whoever decides about a write loads within its transaction.
 */
export function keptPlan(pembit: Pembit, courses: readonly CourseId[], author?: PersonId): Promise<Plan> {
  const kept = keptBy.get(pembit.queue) ?? new Map<string, Kept>();
  keptBy.set(pembit.queue, kept);
  const key = [...courses].sort().join() + (author ? ` ${author}` : '');
  // Taken before reading: a write that is committed meanwhile makes what was read outdated at once.
  const version = pembit.queue.version();
  const known = kept.get(key);
  kept.delete(key);
  const found = known?.version === version ? known : { version, plan: loadPlan(pembit, courses, author) };
  found.plan.catch(() => kept.delete(key));
  kept.set(key, found);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST) break;
    kept.delete(oldest);
  }
  return found.plan;
}
