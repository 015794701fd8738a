import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Rows } from '../rows';

export type OfferedPlace = Readonly<{ id: string; course: string }>;

/** The places that wait for somebody's yes. */
export const offeredPlacesOf = (reader: Reader, person: PersonId): Promise<OfferedPlace[]> =>
  select(
    reader,
    `SELECT offered_places.id, courses.code || ' ' || courses.title AS course FROM offered_places
     JOIN courses ON courses.id = course_id WHERE person_id = :person ORDER BY created_at`,
    { person },
  );

/** A place that was offered to this person. */
export async function offerFor(
  reader: Reader,
  id: string,
  person: PersonId,
): Promise<Rows['offered_places'] | undefined> {
  const sql = 'SELECT * FROM offered_places WHERE id = :id AND person_id = :person';
  return (await select<Rows['offered_places']>(reader, sql, { id, person }))[0];
}

/** Whether somebody has been asked already, or is on the course's own staff. */
export async function needsNoOffer(reader: Reader, course: CourseId, person: PersonId): Promise<boolean> {
  const known = await select(
    reader,
    `SELECT 1 AS one FROM offered_places WHERE course_id = :course AND person_id = :person
     UNION SELECT 1 FROM staff WHERE course_id = :course AND person_id = :person`,
    { course, person },
  );
  return known.length > 0;
}
