import type { CourseId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

export type Student = Readonly<{ id: PersonId; name: string; email: string }>;

/** The students of a course who have not been sent their feed yet, by name. */
export const untoldOf = (reader: Reader, course: CourseId): Promise<Student[]> =>
  select<Student>(
    reader,
    `SELECT people.id, people.name, people.email FROM roster JOIN people ON people.id = roster.person_id
     WHERE roster.course_id = :course AND people.id NOT IN (SELECT id FROM told_feeds) ORDER BY people.name`,
    { course },
  );

/** Marks a student as told; false where that was done before. */
export async function markTold(writer: Writer, student: PersonId, nowMs: number): Promise<boolean> {
  const known = await select(writer, 'SELECT id FROM told_feeds WHERE id = :student', { student });
  if (known.length > 0) return false;
  await run(writer, 'INSERT INTO told_feeds (id, told_at) VALUES (:student, :nowMs)', { student, nowMs });
  return true;
}
