import type { CourseId, GroupId, PersonId, SectionId, TermId } from '@/core/ids';
import { STAFF_ROLES } from '@/core/may/role';
import type { Course, CourseColor, Plan, SiteDate, StaffMember } from '@/core/plan/plan';
import { inTurn } from '@/core/time/meetings';
import type { Closure } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import {
  toClosure,
  toExtraClass,
  toMeeting,
  toPattern,
  toSectionDays,
  toSiteDate,
  toTerm,
} from './frameRows';
import { schoolSettings } from './schoolSettings';
import type { Reader } from '../reader';
import { select } from '../database';
import { tombstonesIn } from '../entries/tombstones';
import { calendarsOf } from '../outside/calendars';
import { entriesOf, notesOf } from '../entries/entries';
import { materialsOf } from '../materials/materials';
import { classPlansOf } from './classPlans';
import type { Rows } from '../rows';
import { sheetsOf } from '../signup/sheets';

const toStaffMember = (row: Rows['staff'] & { name: string }): StaffMember => ({
  id: row.person_id as PersonId,
  name: row.name,
  role: row.role,
  ...(row.sections === null ? {} : { sections: JSON.parse(row.sections) as SectionId[] }),
  ...(row.from_date === null ? {} : { from: row.from_date }),
  ...(row.until_date === null ? {} : { until: row.until_date }),
});

async function coursesByIds(reader: Reader, ids: readonly CourseId[]): Promise<Course[]> {
  if (ids.length === 0) return [];
  const IN_SECTIONS = 'section_id IN (SELECT id FROM sections WHERE course_id IN (:ids))';
  const [courses, staff, sections, counts, patterns, extras, meetings, groups, themes] = await Promise.all([
    select<Rows['courses']>(reader, 'SELECT * FROM courses WHERE id IN (:ids) ORDER BY code', { ids }),
    select<Rows['staff'] & { name: string }>(
      reader,
      `SELECT staff.*, people.name FROM staff JOIN people ON people.id = staff.person_id
       WHERE course_id IN (:ids) ORDER BY people.name`,
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
    select<Rows['extra_classes']>(
      reader,
      `SELECT * FROM extra_classes WHERE ${IN_SECTIONS} ORDER BY date, start_time`,
      { ids },
    ),
    select<Rows['meetings']>(
      reader,
      `SELECT * FROM meetings WHERE ${IN_SECTIONS} ORDER BY section_id, ordinal`,
      { ids },
    ),
    select<Rows['course_groups'] & { students: number }>(
      reader,
      `SELECT course_groups.*, (SELECT COUNT(*) FROM group_members WHERE group_id = course_groups.id) AS students
       FROM course_groups WHERE course_id IN (:ids) ORDER BY name`,
      { ids },
    ),
    select<Rows['themes']>(reader, 'SELECT * FROM themes WHERE course_id IN (:ids) ORDER BY week', { ids }),
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
    weeklyHours: row.weekly_hours ?? undefined,
    sharesTitles: row.shares_titles === 1,
    place: row.place,
    meetingLink: row.meeting_link,
    staff: staff
      .filter((s) => s.course_id === row.id)
      .map(toStaffMember)
      .sort((a, b) => STAFF_ROLES.indexOf(a.role) - STAFF_ROLES.indexOf(b.role)),
    sections: sections
      .filter((s) => s.course_id === row.id)
      .map((s) => ({
        id: s.id as SectionId,
        name: s.name,
        students: studentsOf((c) => c.section_id === s.id),
        ...toSectionDays(s),
        patterns: patterns.filter((p) => p.section_id === s.id).map(toPattern),
        extraClasses: extras.filter((e) => e.section_id === s.id).map(toExtraClass),
        meetings: inTurn(meetings.filter((m) => m.section_id === s.id).map(toMeeting)),
      })),
    groups: groups
      .filter((group) => group.course_id === row.id)
      .map((group) => ({ id: group.id as GroupId, name: group.name, students: group.students })),
    themes: new Map(themes.filter((t) => t.course_id === row.id).map((t) => [t.week, t.theme])),
    archived: row.archived_at !== null,
    students: studentsOf((c) => c.course_id === row.id),
  }));
}

const TERMS = 'SELECT terms.*, (SELECT week_start FROM school) AS week_start FROM terms';

export async function allTerms(reader: Reader): Promise<Term[]> {
  const rows = await select<Parameters<typeof toTerm>[0]>(reader, `${TERMS} ORDER BY starts_on, name`);
  return rows.map(toTerm);
}

async function termsByIds(reader: Reader, ids: readonly TermId[]): Promise<Term[]> {
  const rows = await select<Parameters<typeof toTerm>[0]>(
    reader,
    `${TERMS} WHERE id IN (:ids) ORDER BY starts_on`,
    { ids },
  );
  return rows.map(toTerm);
}

/** Dates for everyone in the terms. */
export async function siteDatesOf(reader: Reader, terms: readonly TermId[]): Promise<SiteDate[]> {
  if (terms.length === 0) return [];
  const rows = await select<Rows['site_dates']>(
    reader,
    'SELECT * FROM site_dates WHERE term_id IN (:terms) ORDER BY starts_on, id',
    { terms },
  );
  return rows.map(toSiteDate);
}

/** The courses and their terms, without what is planned in them. */
export async function loadFrame(
  reader: Reader,
  ids: readonly CourseId[],
): Promise<{ courses: Course[]; terms: Term[]; closures: Closure[]; siteDates: SiteDate[] }> {
  const courses = await coursesByIds(reader, ids);
  const termIds = [...new Set(courses.map((course) => course.term))];
  if (termIds.length === 0) return { courses, terms: [], closures: [], siteDates: [] };
  const [terms, closures, siteDates] = await Promise.all([
    termsByIds(reader, termIds),
    select<Rows['closures']>(
      reader,
      `SELECT * FROM closures WHERE term_id IN (:termIds) AND (course_id IS NULL OR course_id IN (:ids)) ORDER BY starts_on, id`,
      { termIds, ids },
    ),
    siteDatesOf(reader, termIds),
  ]);
  return { courses, terms, closures: closures.map(toClosure), siteDates };
}

/**
 * Everything planned in the courses, and the private notes of `author`. It goes to no one before `seenPlan` has filtered
 * it.
 */
export async function loadPlan(reader: Reader, ids: readonly CourseId[], author?: PersonId): Promise<Plan> {
  const [{ locale }, frame, classPlans, entries, notes, sheets, materials, tombstones] = await Promise.all([
    schoolSettings(reader),
    loadFrame(reader, ids),
    classPlansOf(reader, ids),
    entriesOf(reader, ids),
    author ? notesOf(reader, author) : [],
    sheetsOf(reader, ids),
    materialsOf(reader, ids),
    tombstonesIn(reader, ids),
  ]);
  const calendars = await calendarsOf(reader, { terms: frame.terms.map((term) => term.id), courses: ids });
  return {
    locale,
    ...frame,
    classPlans,
    entries: [...entries, ...notes],
    sheets,
    materials,
    calendars,
    tombstones,
  };
}
