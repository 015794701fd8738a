import type { CourseId } from '@/core/ids';
import type { Listed } from '@/data/people/enrolment';
import { listedIn } from '@/data/people/enrolment';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** The names on the rosters of the courses that somebody teaches, by course. */
export const rostersOf = (
  pembit: Pembit,
  { viewer }: SignedIn,
): Promise<ReadonlyMap<CourseId, readonly Listed[]>> => listedIn(pembit, [...viewer.staffOf]);
