import type { CourseId } from '@/core/ids';
import { select } from '@/data/database';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Named = Readonly<{ id: string; name: string }>;

/** The names on the rosters of the courses that somebody teaches, by course. */
export async function rostersOf(
  pembit: Pembit,
  { viewer }: SignedIn,
): Promise<ReadonlyMap<CourseId, readonly Named[]>> {
  const rosters = new Map<CourseId, Named[]>();
  if (viewer.staffOf.size === 0) return rosters;
  const rows = await select<Named & { course: CourseId }>(
    pembit,
    `SELECT roster.course_id AS course, people.id, COALESCE(roster.listed_name, people.name) AS name FROM roster JOIN people ON people.id = roster.person_id
     WHERE roster.course_id IN (:courses) ORDER BY 3`,
    { courses: [...viewer.staffOf] },
  );
  for (const { course, id, name } of rows)
    rosters.set(course, [...(rosters.get(course) ?? []), { id, name }]);
  return rosters;
}
