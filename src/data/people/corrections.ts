import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** What a course's list says of somebody, where it may not change them. One for each person and course: the newest. */
export async function proposeCorrection(
  change: Change,
  { course, person, name, email, askedBy }: Readonly<{ course: CourseId; person: PersonId; name: string; email: string; askedBy: PersonId }>,
): Promise<void> {
  const [known] = await select<Rows['corrections']>(
    change,
    'SELECT * FROM corrections WHERE course_id = :course AND person_id = :person',
    { course, person },
  );
  if (known) await change.update('corrections', known.id, { name, email, asked_by: askedBy });
  else
    await change.insert('corrections', [
      { id: randomUUID(), course_id: course, person_id: person, name, email, asked_by: askedBy, created_at: change.nowMs },
    ]);
} // prettier-ignore

export type Correction = Readonly<{
  id: string;
  person: PersonId;
  course: string;
  name: string;
  email: string;
  /** As the person is called here. */
  was: Readonly<{ name: string; email: string }>;
}>;

export async function corrections(reader: Reader): Promise<Correction[]> {
  const rows = await select<{
    id: string;
    person: PersonId;
    course: string;
    name: string;
    email: string;
    wasName: string;
    wasEmail: string;
  }>(
    reader,
    `SELECT corrections.id, people.id AS "person", courses.code AS "course", corrections.name, corrections.email,
       people.name AS "wasName", people.email AS "wasEmail" FROM corrections
     JOIN people ON people.id = corrections.person_id JOIN courses ON courses.id = corrections.course_id
     ORDER BY corrections.created_at, corrections.id`,
  );
  return rows.map(({ wasName, wasEmail, ...row }) => ({ ...row, was: { name: wasName, email: wasEmail } }));
}
