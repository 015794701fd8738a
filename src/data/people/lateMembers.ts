import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

/** Somebody on a roster who came when the others were there already. */
export type LateMember = Readonly<{ course: CourseId; person: PersonId; name: string; at: Temporal.Instant }>;

/**
 * Who came to a course since an instant, or into which courses somebody came; by name. Whoever came with the first of the
 * roster, within a day, is not late: a list that is brought in week 3 makes nobody a late comer.
 */
export async function lateMembers(
  reader: Reader,
  where: Readonly<{ course: CourseId }> | Readonly<{ person: PersonId }>,
  since: Temporal.Instant,
): Promise<LateMember[]> {
  const column = 'course' in where ? 'roster.course_id = :course' : 'roster.person_id = :person';
  const rows = await select<{ course: CourseId; person: PersonId; name: string; at: number }>(
    reader,
    `SELECT roster.course_id AS course, person_id AS person, COALESCE(listed_name, people.name) AS name, joined_at AS "at"
     FROM roster JOIN people ON people.id = roster.person_id
     WHERE ${column} AND joined_at > :since AND joined_at >
       (SELECT MIN(COALESCE(first.joined_at, 0)) FROM roster AS first WHERE first.course_id = roster.course_id) + 86400000
     ORDER BY name`,
    { ...where, since: since.epochMilliseconds },
  );
  return rows.map(({ at, ...row }) => ({ ...row, at: Temporal.Instant.fromEpochMilliseconds(at) }));
}
