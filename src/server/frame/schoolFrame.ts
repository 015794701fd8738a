import type { Closure } from '@/core/time/closure';
import type { Course } from '@/core/plan/plan';
import type { Term } from '@/core/time/term';
import { allTerms, courseIdsOf, siteClosures } from '@/data/plan/frameStore';
import { loadFrame } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';

export type SchoolFrame = Readonly<{
  terms: readonly Term[];
  closures: readonly Closure[];
  courses: readonly Course[];
}>;

/** All terms, site-wide closures and courses, without what is planned in them: the administrator's view. */
export async function schoolFrame(pembit: Pembit): Promise<SchoolFrame> {
  const [terms, closures] = await Promise.all([allTerms(pembit), siteClosures(pembit)]);
  const ids = (await Promise.all(terms.map((term) => courseIdsOf(pembit, term.id)))).flat();
  const { courses } = await loadFrame(pembit, ids);
  return { terms, closures, courses };
}
