import type { CourseId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Who of a course is missing from the school's list, since when in epoch milliseconds. */
export async function absencesIn(reader: Reader, course: CourseId): Promise<ReadonlyMap<PersonId, number>> {
  const rows = await select<{ person: PersonId; since: number }>(
    reader,
    'SELECT person_id AS person, since FROM roster_absences WHERE course_id = :course',
    { course },
  );
  return new Map(rows.map(({ person, since }) => [person, Number(since)]));
}

export async function putAbsences(
  writer: Writer,
  course: CourseId,
  since: ReadonlyMap<PersonId, number>,
): Promise<void> {
  await run(writer, 'DELETE FROM roster_absences WHERE course_id = :course', { course });
  for (const [person, ms] of since)
    await run(writer, 'INSERT INTO roster_absences (course_id, person_id, since) VALUES (:course, :person, :ms)', { course, person, ms }); // prettier-ignore
}

type Reading = Readonly<{ id: string; at: number; report: string }>;

/** The newest readings first. */
export const rosterReadings = (reader: Reader, most: number): Promise<Reading[]> =>
  select(reader, 'SELECT id, at, report FROM roster_readings ORDER BY at DESC, id LIMIT :most', { most });

/** Notes a reading; the newest `most` are kept. */
export async function noteReading(writer: Writer, { id, at, report }: Reading, most: number): Promise<void> {
  await run(writer, 'INSERT INTO roster_readings (id, at, report) VALUES (:id, :at, :report)', { id, at, report }); // prettier-ignore
  await run(
    writer,
    'DELETE FROM roster_readings WHERE id NOT IN (SELECT id FROM roster_readings ORDER BY at DESC, id LIMIT :most)',
    { most },
  );
}
