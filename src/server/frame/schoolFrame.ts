import type { Closure } from '@/core/time/closure';
import type { Course, SiteDate } from '@/core/plan/plan';
import type { Term } from '@/core/time/term';
import type { SchoolSettings } from '@/core/frame/schoolSettings';
import { courseIdsOf, siteClosures } from '@/data/plan/frameStore';
import { allTerms, loadFrame, siteDatesOf } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Pembit } from '../pembit';

export type SchoolFrame = Readonly<{
  settings: SchoolSettings;
  terms: readonly Term[];
  closures: readonly Closure[];
  siteDates: readonly SiteDate[];
  courses: readonly Course[];
}>;

/** All terms, site-wide closures and courses, without what is planned in them: the administrator's view. */
export async function schoolFrame(pembit: Pembit): Promise<SchoolFrame> {
  const [settings, terms, closures] = await Promise.all([
    schoolSettings(pembit),
    allTerms(pembit),
    siteClosures(pembit),
  ]);
  const siteDates = await siteDatesOf(
    pembit,
    terms.map((term) => term.id),
  );
  const ids = (await Promise.all(terms.map((term) => courseIdsOf(pembit, term.id)))).flat();
  const { courses } = await loadFrame(pembit, ids);
  return { settings, terms, closures, siteDates, courses };
}
