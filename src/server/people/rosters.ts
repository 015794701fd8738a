import type { CourseId } from '@/core/ids';
import type { Listed } from '@/data/people/enrolment';
import { listedIn } from '@/data/people/enrolment';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const kept = keptReads<ReadonlyMap<CourseId, readonly Listed[]>>(40);

/** The names on the rosters of the courses that somebody teaches, by course. */
export const rostersOf = (
  pembit: Pembit,
  { viewer }: SignedIn,
): Promise<ReadonlyMap<CourseId, readonly Listed[]>> => {
  const courses = [...viewer.staffOf].sort();
  return kept(pembit, courses.join(' '), () => listedIn(pembit, courses), []);
};
