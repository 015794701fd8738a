import type { ClosureId, CourseId, MeetingId, PersonId, SectionId, TermId } from '@/core/ids';
import type { Closure } from '@/core/time/closure';
import type { Meeting } from '@/core/time/meetings';
import type { Pattern } from '@/core/time/pattern';
import type { Course } from '@/core/plan/plan';
import { randomUUID } from 'node:crypto';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';
import { fromPattern, toClosure, toMeeting } from './frameRows';

export async function courseIdsOf(reader: Reader, term: TermId): Promise<Course['id'][]> {
  const rows = await select<{ id: Course['id'] }>(
    reader,
    'SELECT id FROM courses WHERE term_id = :term ORDER BY code',
    { term },
  );
  return rows.map((row) => row.id);
}

/** A course as it is stored. */
export async function courseRowOf(reader: Reader, id: Course['id']): Promise<Rows['courses'] | undefined> {
  return (await select<Rows['courses']>(reader, 'SELECT * FROM courses WHERE id = :id', { id }))[0];
}

/** The courses of a term that have this code. */
/** The courses of a term, archived ones too. */
export const coursesInTerm = (reader: Reader, term: TermId): Promise<Rows['courses'][]> =>
  select(reader, 'SELECT * FROM courses WHERE term_id = :term ORDER BY code', { term });

export async function coursesOfCode(reader: Reader, term: TermId, code: string): Promise<Course['id'][]> {
  const rows = await select<{ id: Course['id'] }>(
    reader,
    'SELECT id FROM courses WHERE term_id = :term AND code = :code',
    { term, code },
  );
  return rows.map((row) => row.id);
}

export const themeRowsOf = (reader: Reader, course: Course['id']): Promise<Rows['themes'][]> =>
  select(reader, 'SELECT * FROM themes WHERE course_id = :course', { course });

/** The closures that an outside calendar has asked for. */
export async function closuresOfCalendar(reader: Reader, calendar: string): Promise<Closure[]> {
  const rows = await select<Rows['closures']>(
    reader,
    'SELECT * FROM closures WHERE calendar_id = :calendar',
    {
      calendar,
    },
  );
  return rows.map(toClosure);
}

/** Whether one of the courses is archived. */
export async function anyArchived(reader: Reader, ids: readonly Course['id'][]): Promise<boolean> {
  if (ids.length === 0) return false;
  const sql = 'SELECT id FROM courses WHERE id IN (:ids) AND archived_at IS NOT NULL LIMIT 1';
  return (await select(reader, sql, { ids })).length > 0;
}

/** Closures of the whole site. */
export async function siteClosures(reader: Reader): Promise<Closure[]> {
  const rows = await select<Rows['closures']>(
    reader,
    'SELECT * FROM closures WHERE course_id IS NULL ORDER BY starts_on, id',
  );
  return rows.map(toClosure);
}

export async function closureById(reader: Reader, id: ClosureId): Promise<Closure | undefined> {
  const [row] = await select<Rows['closures']>(reader, 'SELECT * FROM closures WHERE id = :id', { id });
  return row && toClosure(row);
}

/** The course that a section or a meeting belongs to. */
export async function courseOfSection(reader: Reader, section: SectionId): Promise<Course['id'] | undefined> {
  const [row] = await select<{ course_id: Course['id'] }>(
    reader,
    'SELECT course_id FROM sections WHERE id = :section',
    { section },
  );
  return row?.course_id;
}

export async function meetingById(
  reader: Reader,
  id: MeetingId,
): Promise<{ meeting: Meeting; section: SectionId } | undefined> {
  const [row] = await select<Rows['meetings']>(reader, 'SELECT * FROM meetings WHERE id = :id', { id });
  return row && { meeting: toMeeting(row), section: row.section_id as SectionId };
}

/** Replaces a section's patterns by others; those that stay are left as they are. */
export async function writePatterns(
  change: Change,
  section: SectionId,
  patterns: readonly Pattern[],
): Promise<void> {
  const rows = await select<Rows['patterns']>(change, 'SELECT * FROM patterns WHERE section_id = :section', {
    section,
  });
  const next = patterns.map((pattern) => fromPattern(pattern, { id: randomUUID(), section }));
  const same = (a: Rows['patterns'], b: Rows['patterns']) =>
    a.from_date === b.from_date && a.classes === b.classes;
  for (const row of rows) if (!next.some((n) => same(n, row))) await change.remove('patterns', row.id);
  await change.insert(
    'patterns',
    next.filter((n) => !rows.some((row) => same(n, row))),
  );
}

/** What a section's course is called, and the zone of its term. */
export async function codeOfSection(
  reader: Reader,
  section: SectionId,
): Promise<Readonly<{ code: string; tzid: string }> | undefined> {
  const [row] = await select<{ code: string; tzid: string }>(
    reader,
    `SELECT courses.code, terms.tzid FROM sections JOIN courses ON courses.id = sections.course_id
     JOIN terms ON terms.id = courses.term_id WHERE sections.id = :section`,
    { section },
  );
  return row;
}

/** The students of some sections: those who see their classes, whoever has no section included. */
export async function studentsOfSections(
  reader: Reader,
  sections: readonly SectionId[],
): Promise<PersonId[]> {
  if (sections.length === 0) return [];
  const rows = await select<{ person: PersonId }>(
    reader,
    `SELECT person_id AS person FROM roster WHERE section_id IN (:sections)
     UNION SELECT person_id FROM roster WHERE section_id IS NULL
       AND course_id IN (SELECT course_id FROM sections WHERE id IN (:sections))
     ORDER BY person`,
    { sections },
  );
  return rows.map(({ person }) => person);
}

/** Courses of a code, those of the latest term first; of one term, where it is named. */
export const coursesByCode = (
  reader: Reader,
  code: string,
  term: string,
): Promise<Readonly<{ id: CourseId; term: string }>[]> =>
  select(
    reader,
    `SELECT courses.id, terms.name AS term FROM courses JOIN terms ON terms.id = courses.term_id
     WHERE code = :code AND (:term = '' OR terms.name = :term) ORDER BY terms.starts_on DESC`,
    { code, term },
  );
