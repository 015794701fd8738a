import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { OwnStart } from '@/core/entries/pacing';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** A start, and whether its course's staff may know whose it is. */
export type SharedStart = OwnStart & Readonly<{ shared: boolean }>;

const toStart = (row: Rows['own_starts']): SharedStart => ({
  person: row.person_id as PersonId,
  course: row.course_id as CourseId,
  on: Temporal.PlainDate.from(row.starts_on),
  said: Temporal.Instant.fromEpochMilliseconds(Number(row.said_at)),
  shared: row.shared === 1,
});

/** Who has begun some courses, of those who take them still. */
export async function startsIn(reader: Reader, courses: readonly CourseId[]): Promise<SharedStart[]> {
  if (courses.length === 0) return [];
  const rows = await select<Rows['own_starts']>(
    reader,
    `SELECT own_starts.* FROM own_starts JOIN roster ON roster.person_id = own_starts.person_id
       AND roster.course_id = own_starts.course_id
     WHERE own_starts.course_id IN (:courses) ORDER BY own_starts.person_id`,
    { courses: [...new Set(courses)] },
  );
  return rows.map(toStart);
}

/** What those who share it have ticked of a course's work, in numbers. */
export async function sharedTicks(
  reader: Reader,
  course: CourseId,
): Promise<readonly Readonly<{ person: PersonId; name: string; on: string; ticked: number }>[]> {
  return select(
    reader,
    `SELECT own_starts.person_id AS person, people.name, own_starts.starts_on AS "on", COUNT(marked.id) AS ticked
     FROM own_starts JOIN people ON people.id = own_starts.person_id
       JOIN roster ON roster.person_id = own_starts.person_id AND roster.course_id = own_starts.course_id
       LEFT JOIN (
         SELECT done_marks.id, done_marks.person_id FROM done_marks
           JOIN entry_audiences ON entry_audiences.entry_id = done_marks.entry_id AND entry_audiences.course_id = :course
           JOIN entries ON entries.id = done_marks.entry_id AND entries.pacing IS NOT NULL AND entries.cancelled IS NULL
             AND entries.visibility <> 'draft'
       ) AS marked ON marked.person_id = own_starts.person_id
     WHERE own_starts.course_id = :course AND own_starts.shared = 1
     GROUP BY own_starts.person_id, people.name, own_starts.starts_on ORDER BY people.name, own_starts.person_id`,
    { course },
  );
}

/** Writes when somebody begins a course; nothing: not yet. */
export async function writeStart(
  change: Change,
  person: PersonId,
  course: CourseId,
  start: Readonly<{ on: string; shared: boolean }> | undefined,
): Promise<void> {
  const [known] = await select<{ id: string }>(
    change,
    'SELECT id FROM own_starts WHERE person_id = :person AND course_id = :course',
    { person, course },
  );
  const columns = start && {
    starts_on: start.on,
    shared: Number(start.shared),
    said_at: change.nowMs,
  };
  if (columns && known) await change.update('own_starts', known.id, columns);
  else if (columns)
    await change.insert('own_starts', [
      { id: randomUUID(), person_id: person, course_id: course, ...columns },
    ]);
  else if (known) await change.remove('own_starts', known.id);
  change.concerns(`person:${person}`, `course:${course}`);
}
