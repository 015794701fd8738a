import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId, SectionId, TermId } from '@/core/ids';
import type { Course, CourseColor, Plan } from '@/core/plan/plan';
import type { Term } from '@/core/time/term';
import type { Reader } from '../database';
import { select } from '../database';
import { entriesOf } from '../entries/entries';
import type { Rows } from '../rows';
import { sheetsOf } from '../signup/sheets';

const toTerm = (row: Rows['terms']): Term => ({
  id: row.id as TermId,
  name: row.name,
  startsOn: Temporal.PlainDate.from(row.starts_on),
  endsOn: Temporal.PlainDate.from(row.ends_on),
  tzid: row.tzid,
});

async function coursesByIds(reader: Reader, ids: readonly CourseId[]): Promise<Course[]> {
  if (ids.length === 0) return [];
  const [courses, staff, sections, counts] = await Promise.all([
    select<Rows['courses']>(reader, 'SELECT * FROM courses WHERE id IN (:ids) ORDER BY code', { ids }),
    select<Rows['staff'] & { name: string }>(
      reader,
      `SELECT staff.*, people.name FROM staff JOIN people ON people.id = staff.person_id
       WHERE course_id IN (:ids) ORDER BY staff.role DESC, people.name`,
      { ids },
    ),
    select<Rows['sections']>(reader, 'SELECT * FROM sections WHERE course_id IN (:ids) ORDER BY name', {
      ids,
    }),
    select<{ course_id: string; section_id: string | null; students: number }>(
      reader,
      `SELECT course_id, section_id, COUNT(*) AS students FROM roster
       WHERE course_id IN (:ids) GROUP BY course_id, section_id`,
      { ids },
    ),
  ]);
  const studentsOf = (match: (row: (typeof counts)[number]) => boolean) =>
    counts.filter(match).reduce((sum, row) => sum + row.students, 0);
  return courses.map((row) => ({
    id: row.id as CourseId,
    term: row.term_id as TermId,
    code: row.code,
    title: row.title,
    tag: row.tag,
    color: row.color as CourseColor,
    staff: staff
      .filter((s) => s.course_id === row.id)
      .map((s) => ({ id: s.person_id as PersonId, name: s.name })),
    sections: sections
      .filter((s) => s.course_id === row.id)
      .map((s) => ({
        id: s.id as SectionId,
        name: s.name,
        students: studentsOf((c) => c.section_id === s.id),
      })),
    students: studentsOf((c) => c.course_id === row.id),
  }));
}

/** The courses and their terms, without what is planned in them. */
export async function loadFrame(
  reader: Reader,
  ids: readonly CourseId[],
): Promise<{ courses: Course[]; terms: Term[] }> {
  const courses = await coursesByIds(reader, ids);
  const termIds = [...new Set(courses.map((course) => course.term))];
  if (termIds.length === 0) return { courses, terms: [] };
  const terms = await select<Rows['terms']>(
    reader,
    'SELECT * FROM terms WHERE id IN (:termIds) ORDER BY starts_on',
    { termIds },
  );
  return { courses, terms: terms.map(toTerm) };
}

/** Everything planned in the courses. It goes to no one before `seenPlan` has filtered it. */
export async function loadPlan(reader: Reader, ids: readonly CourseId[]): Promise<Plan> {
  const [frame, entries, sheets] = await Promise.all([
    loadFrame(reader, ids),
    entriesOf(reader, ids),
    sheetsOf(reader, ids),
  ]);
  return { ...frame, entries, sheets };
}
