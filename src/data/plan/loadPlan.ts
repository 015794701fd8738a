import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId, SectionId, TermId } from '@/core/ids';
import type { Course, CourseColor, Plan } from '@/core/plan/plan';
import type { Closure } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import { toClosure, toMeeting, toPattern } from './frameRows';
import type { Reader } from '../database';
import { select } from '../database';
import { entriesOf } from '../entries/entries';
import type { Rows } from '../rows';
import { sheetsOf } from '../signup/sheets';

export const toTerm = (row: Rows['terms']): Term => ({
  id: row.id as TermId,
  name: row.name,
  startsOn: Temporal.PlainDate.from(row.starts_on),
  endsOn: Temporal.PlainDate.from(row.ends_on),
  tzid: row.tzid,
});

async function coursesByIds(reader: Reader, ids: readonly CourseId[]): Promise<Course[]> {
  if (ids.length === 0) return [];
  const IN_SECTIONS = 'section_id IN (SELECT id FROM sections WHERE course_id IN (:ids))';
  const [courses, staff, sections, counts, patterns, meetings] = await Promise.all([
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
    select<Rows['patterns']>(reader, `SELECT * FROM patterns WHERE ${IN_SECTIONS} ORDER BY from_date`, {
      ids,
    }),
    select<Rows['meetings']>(
      reader,
      `SELECT * FROM meetings WHERE ${IN_SECTIONS} ORDER BY section_id, ordinal`,
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
    credits: row.credits ?? undefined,
    place: row.place,
    meetingLink: row.meeting_link,
    staff: staff
      .filter((s) => s.course_id === row.id)
      .map((s) => ({ id: s.person_id as PersonId, name: s.name, role: s.role })),
    sections: sections
      .filter((s) => s.course_id === row.id)

      .map((s) => ({
        id: s.id as SectionId,
        name: s.name,
        students: studentsOf((c) => c.section_id === s.id),
        patterns: patterns.filter((p) => p.section_id === s.id).map(toPattern),
        meetings: meetings.filter((m) => m.section_id === s.id).map(toMeeting),
      })),
    students: studentsOf((c) => c.course_id === row.id),
  }));
}

/** The courses and their terms, without what is planned in them. */
export async function loadFrame(
  reader: Reader,
  ids: readonly CourseId[],
): Promise<{ courses: Course[]; terms: Term[]; closures: Closure[] }> {
  const courses = await coursesByIds(reader, ids);
  const termIds = [...new Set(courses.map((course) => course.term))];
  if (termIds.length === 0) return { courses, terms: [], closures: [] };
  const [terms, closures] = await Promise.all([
    select<Rows['terms']>(reader, 'SELECT * FROM terms WHERE id IN (:termIds) ORDER BY starts_on', {
      termIds,
    }),
    select<Rows['closures']>(
      reader,
      `SELECT * FROM closures WHERE term_id IN (:termIds) AND (course_id IS NULL OR course_id IN (:ids)) ORDER BY starts_on, id`,
      { termIds, ids },
    ),
  ]);
  return { courses, terms: terms.map(toTerm), closures: closures.map(toClosure) };
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
