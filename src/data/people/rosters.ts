import type { CourseId, PersonId, SectionId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

/** Somebody on a course's roster, by the name that its list gives until they have come; `waiting` is 1 for who has not. */
export type RosterMember = Readonly<{
  person: PersonId;
  name: string;
  email: string;
  section: string | null;
  sectionId: SectionId | null;
  waiting: number;
}>;

export const membersOfCourse = (reader: Reader, course: CourseId): Promise<RosterMember[]> =>
  select(
    reader,
    `SELECT people.id AS "person", COALESCE(roster.listed_name, people.name) AS "name", people.email, sections.name AS "section", sections.id AS "sectionId",
       CASE WHEN people.came_at IS NULL OR roster.listed_name IS NOT NULL THEN 1 ELSE 0 END AS "waiting"
     FROM roster JOIN people ON people.id = roster.person_id LEFT JOIN sections ON sections.id = roster.section_id
     WHERE roster.course_id = :course ORDER BY 2, people.email`,
    { course },
  );

/** Of some people on a roster: those who have never come. */
export const notComeYet = (
  reader: Reader,
  course: CourseId,
  people: readonly PersonId[],
): Promise<Readonly<{ id: PersonId; email: string; name: string }>[]> =>
  select(
    reader,
    `SELECT people.id, people.email, COALESCE(roster.listed_name, people.name) AS name
     FROM roster JOIN people ON people.id = roster.person_id
     WHERE roster.course_id = :course AND people.id IN (:people) AND people.came_at IS NULL AND people.deactivated_at IS NULL`,
    { course, people },
  );

/** Of some addresses: whose they are; `teaches` is 1 for staff and administrators. */
export const knownAddresses = (
  reader: Reader,
  emails: readonly string[],
): Promise<Readonly<{ id: PersonId; email: string; teaches: number }>[]> =>
  emails.length === 0
    ? Promise.resolve([])
    : select(
        reader,
        `SELECT id, email, CASE WHEN is_admin = 1 OR id IN (SELECT person_id FROM staff) THEN 1 ELSE 0 END AS "teaches"
         FROM people WHERE email IN (:emails)`,
        { emails },
      );

export const isOnRoster = async (reader: Reader, course: CourseId, person: PersonId): Promise<boolean> =>
  (await select(reader, 'SELECT id FROM roster WHERE course_id = :course AND person_id = :person', { course, person })).length > 0; // prettier-ignore

/**
 * A roster as a list is compared with it. `untouched` is 1 for who never came, is on no staff and no administrator; `ofCourse` for
 * who was made by this course's lists and is on no other roster.
 */
export const comparedMembers = (
  reader: Reader,
  course: CourseId,
): Promise<Readonly<{ person: PersonId; roster: string; name: string; email: string; section: string | null; sourcedId: string | null; untouched: number; ofCourse: number }>[]> =>
  select(
    reader,
    `SELECT people.id AS "person", roster.id AS "roster", COALESCE(roster.listed_name, people.name) AS "name", people.email,
       roster.section_id AS "section", people.sourced_id AS "sourcedId",
       CASE WHEN people.came_at IS NULL AND people.password_hash = '' AND people.is_admin = 0 AND roster.listed_name IS NULL
         AND NOT EXISTS (SELECT 1 FROM staff WHERE staff.person_id = people.id)
         AND NOT EXISTS (SELECT 1 FROM school_accounts WHERE school_accounts.person_id = people.id)
         AND NOT EXISTS (SELECT 1 FROM lti_accounts WHERE lti_accounts.person_id = people.id) THEN 1 ELSE 0 END AS "untouched",
       CASE WHEN people.made_by_course = :course
         AND NOT EXISTS (SELECT 1 FROM roster AS other WHERE other.person_id = people.id AND other.course_id <> :course)
         THEN 1 ELSE 0 END AS "ofCourse"
     FROM roster JOIN people ON people.id = roster.person_id WHERE roster.course_id = :course`,
    { course },
  ); // prettier-ignore

/** The addresses of those whom Pembit knows by what the school's system calls them. */
export const addressesBySourcedId = (
  reader: Reader,
  ids: readonly string[],
): Promise<Readonly<{ email: string; sourced_id: string }>[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : select(reader, 'SELECT email, sourced_id FROM people WHERE sourced_id IN (:ids)', { ids });
