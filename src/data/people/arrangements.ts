import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** So many days more for all work of a course, for one student. */
export type Arrangement = Readonly<{ person: PersonId; name: string; days: number }>;

export const arrangementsOf = (reader: Reader, course: CourseId): Promise<Arrangement[]> =>
  select(
    reader,
    `SELECT person_id AS person, people.name, days FROM arrangements JOIN people ON people.id = person_id
     WHERE course_id = :course ORDER BY people.name, people.id`,
    { course },
  );

/** The days that each student has more for work of these courses: the most, where several say so. */
export async function arrangementsFor(
  reader: Reader,
  courses: readonly CourseId[],
): Promise<ReadonlyMap<PersonId, number>> {
  if (courses.length === 0) return new Map();
  const rows = await select<{ person: PersonId; days: number }>(
    reader,
    'SELECT person_id AS person, MAX(days) AS days FROM arrangements WHERE course_id IN (:courses) GROUP BY person_id ORDER BY person_id',
    { courses },
  );
  return new Map(rows.map(({ person, days }) => [person, days]));
}

type Arranging = Readonly<{ course: CourseId; person: PersonId; days: number }>;

/** Arranges something, or ends it where there are no days. */
export async function writeArrangement(change: Change, { course, person, days }: Arranging): Promise<void> {
  const [known] = await select<Rows['arrangements']>(
    change,
    'SELECT * FROM arrangements WHERE course_id = :course AND person_id = :person',
    { course, person },
  );
  if (known && days === 0) await change.remove('arrangements', known.id);
  else if (known) await change.update('arrangements', known.id, { days });
  else if (days > 0)
    await change.insert('arrangements', [
      { id: randomUUID(), course_id: course, person_id: person, days, created_at: change.nowMs },
    ]);
  change.concerns(`course:${course}`, `person:${person}`);
}

export const isEnrolled = async (reader: Reader, course: CourseId, person: PersonId): Promise<boolean> =>
  (await select(reader, 'SELECT id FROM roster WHERE course_id = :course AND person_id = :person', { course, person })).length > 0; // prettier-ignore
