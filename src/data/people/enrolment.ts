import type { Enrolled } from '@/core/checks/check';
import { groupBy } from '@/core/groupBy';
import type { CourseId, GroupId, PersonId, SectionId, TermId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

/** Everybody on the rosters of some courses. */
export async function enrolledPeople(
  reader: Reader,
  courses: readonly CourseId[],
): Promise<ReadonlySet<PersonId>> {
  if (courses.length === 0) return new Set();
  const rows = await select<{ person_id: PersonId }>(
    reader,
    'SELECT person_id FROM roster WHERE course_id IN (:courses)',
    { courses },
  );
  return new Set(rows.map((row) => row.person_id));
}

/** The students of some courses with their sections and groups. */
export async function enrolledIn(reader: Reader, courses: readonly CourseId[]): Promise<Enrolled[]> {
  if (courses.length === 0) return [];
  const [roster, members] = await Promise.all([
    select<{ course: CourseId; person: PersonId; section: SectionId | null }>(
      reader,
      'SELECT course_id AS course, person_id AS person, section_id AS section FROM roster WHERE course_id IN (:courses)',
      { courses },
    ),
    select<{ person: PersonId; grp: GroupId }>(
      reader,
      `SELECT person_id AS person, group_id AS grp FROM group_members
       WHERE group_id IN (SELECT id FROM course_groups WHERE course_id IN (:courses))`,
      { courses },
    ),
  ]);
  const groupsOf = groupBy(members, ({ person }) => person);
  return roster.map(({ course, person, section }) => ({
    course,
    person,
    section: section ?? undefined,
    groups: (groupsOf.get(person) ?? []).map(({ grp }) => grp),
  }));
}

export type Listed = Readonly<{ id: string; name: string }>;

/** The names on the rosters of some courses, by course, in the order of names. */
export async function listedIn(
  reader: Reader,
  courses: readonly CourseId[],
): Promise<ReadonlyMap<CourseId, readonly Listed[]>> {
  const rosters = new Map<CourseId, Listed[]>();
  if (courses.length === 0) return rosters;
  const rows = await select<Listed & { course: CourseId }>(
    reader,
    `SELECT roster.course_id AS course, people.id, COALESCE(roster.listed_name, people.name) AS name FROM roster JOIN people ON people.id = roster.person_id
     WHERE roster.course_id IN (:courses) ORDER BY 3`,
    { courses },
  );
  for (const { course, id, name } of rows)
    rosters.set(course, [...(rosters.get(course) ?? []), { id, name }]);
  return rosters;
}

export type Member = Readonly<{ course: CourseId; person: PersonId }>;
export type Place = Readonly<{ id: string; name: string; section: SectionId | null }>;

/** Somebody's place on a roster, under the name by which they are listed there. */
export async function placeOnRoster(reader: Reader, { course, person }: Member): Promise<Place | undefined> {
  const [row] = await select<{ id: string; name: string; section: SectionId | null }>(
    reader,
    `SELECT roster.id, COALESCE(roster.listed_name, people.name) AS name, roster.section_id AS section FROM roster
     JOIN people ON people.id = roster.person_id WHERE course_id = :course AND person_id = :person`,
    { course, person },
  );
  return row;
}

/** The rows by which somebody is in groups of a course. */
export const groupPlacesOf = (reader: Reader, { course, person }: Member): Promise<{ id: string }[]> =>
  select(
    reader,
    `SELECT id FROM group_members WHERE person_id = :person
     AND group_id IN (SELECT id FROM course_groups WHERE course_id = :course)`,
    { course, person },
  );

/** The places that name a section: on the roster, or offered. */
export const placesInSection = (
  reader: Reader,
  table: 'roster' | 'offered_places',
  section: SectionId,
): Promise<{ id: string; person_id: PersonId }[]> =>
  select(reader, `SELECT id, person_id FROM ${table} WHERE section_id = :section`, { section });

type Asked = Readonly<{ courses: readonly CourseId[]; terms?: ReadonlySet<TermId> }>;
const inTerms = (terms: ReadonlySet<TermId> | undefined) => (terms ? 'AND courses.term_id IN (:terms)' : '');

/** The sections of some courses, in the given terms or in all, by the codes of the courses. */
export const sectionsOfCourses = (
  reader: Reader,
  { courses, terms }: Asked,
): Promise<Readonly<{ id: SectionId; name: string; course: CourseId; tag: string }>[]> =>
  select(
    reader,
    `SELECT sections.id, sections.name, courses.id AS course, courses.tag FROM sections
     JOIN courses ON courses.id = sections.course_id WHERE course_id IN (:courses) ${inTerms(terms)} ORDER BY courses.code, sections.name`,
    { courses: [...courses], terms: [...(terms ?? [])] },
  );

/** The students of some courses, each once, with the tags of those they take. */
export const studentsOfCourses = (
  reader: Reader,
  { courses, terms }: Asked,
): Promise<Readonly<{ id: PersonId; name: string; tag: string }>[]> =>
  select(
    reader,
    `SELECT people.id, COALESCE(MIN(roster.listed_name), people.name) AS name, STRING_AGG(courses.tag, ' ' ORDER BY courses.code) AS tag FROM roster
     JOIN people ON people.id = roster.person_id JOIN courses ON courses.id = roster.course_id
     WHERE roster.course_id IN (:courses) ${inTerms(terms)} GROUP BY people.id, people.name ORDER BY 2`,
    { courses: [...courses], terms: [...(terms ?? [])] },
  );
