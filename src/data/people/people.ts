import type { CourseId, GroupId, PersonId, SectionId } from '@/core/ids';
import { Temporal } from 'temporal-polyfill';
import type { Help, Viewer } from '@/core/entries/viewer';
import type { StaffRole } from '@/core/may/role';
import { toInstant, toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { Rows } from '../rows';

export type Person = Readonly<{
  id: PersonId;
  email: string;
  name: string;
  isAdmin: boolean;
  /** Nobody can come in as them, and nothing is sent to them. */
  deactivated: boolean;
}>;

type PersonRow = Rows['people'];

export const toPerson = (row: PersonRow): Person => ({
  id: row.id as PersonId,
  email: row.email,
  name: row.name,
  isAdmin: row.is_admin === 1,
  deactivated: row.deactivated_at !== null,
});

/** Somebody who has not signed in yet, unless there is a password already. */
export const personRow = (
  person: Readonly<{
    id: PersonId;
    email: string;
    name: string;
    isAdmin?: boolean;
    sourcedId?: string;
    /** The course whose list makes the person. */
    madeBy?: CourseId;
  }>,
  createdMs: number,
  passwordHash = '',
): PersonRow => ({
  id: person.id,
  email: person.email,
  name: person.name,
  password_hash: passwordHash,
  is_admin: person.isAdmin ? 1 : 0,
  sourced_id: person.sourcedId ?? null,
  created_at: createdMs,
  deactivated_at: null,
  came_at: passwordHash === '' ? null : createdMs,
  made_by_course: person.madeBy ?? null,
});

export async function personById(reader: Reader, id: string): Promise<Person | undefined> {
  const [row] = await select<PersonRow>(reader, 'SELECT * FROM people WHERE id = :id', { id });
  return row && toPerson(row);
}

async function peopleBy(
  reader: Reader,
  column: 'id' | 'email',
  values: readonly string[],
): Promise<Person[]> {
  const people: Person[] = [];
  // A statement takes so many values.
  for (let i = 0; i < values.length; i += 500) {
    const rows = await select<PersonRow>(reader, `SELECT * FROM people WHERE ${column} IN (:values)`, { values: values.slice(i, i + 500) }); // prettier-ignore
    people.push(...rows.map(toPerson));
  }
  return people;
}

/** Those of some people who are there, by their ids, in no order. */
export const peopleById = (reader: Reader, ids: readonly PersonId[]): Promise<Person[]> =>
  peopleBy(reader, 'id', ids);

/** Those of some addresses, in lower case, who have an account, in no order. */
export const peopleByEmails = (reader: Reader, emails: readonly string[]): Promise<Person[]> =>
  peopleBy(reader, 'email', emails);

/** E-mail addresses are stored in lower case; the password hash leaves this layer only here. */
export async function personByEmail(
  reader: Reader,
  email: string,
): Promise<(Person & { passwordHash: string }) | undefined> {
  const [row] = await select<PersonRow>(reader, 'SELECT * FROM people WHERE email = :email', {
    email: email.trim().toLowerCase(),
  });
  return row && { ...toPerson(row), passwordHash: row.password_hash };
}

/** Notes when somebody first came in, by whatever way. */
export const noteComing = (writer: Writer, id: PersonId, nowMs: number) =>
  run(writer, 'UPDATE people SET came_at = :nowMs WHERE id = :id AND came_at IS NULL', { id, nowMs });

/** Somebody has come to the courses whose lists named them: from now on they are called what they are called. */
export const noteArrival = (writer: Writer, id: PersonId) =>
  run(writer, 'UPDATE roster SET listed_name = NULL WHERE person_id = :id', { id });

export const writePassword = (writer: Writer, id: PersonId, hash: string) =>
  run(writer, 'UPDATE people SET password_hash = :hash WHERE id = :id', { id, hash });

/** Courses that somebody is on the roster of without having come since a list named them. */
export const arrivals = async (reader: Reader, id: PersonId): Promise<CourseId[]> =>
  (await select<{ course_id: CourseId }>(reader, 'SELECT course_id FROM roster WHERE person_id = :id AND listed_name IS NOT NULL', { id })).map((row) => row.course_id); // prettier-ignore

type StaffRow = Rows['staff'] & Readonly<{ tzid: string }>;

/** Whether somebody on a staff is so today: a substitute from a day to a day, both included, where the course is taught. */
function isOnDuty({ from_date: from, until_date: until, tzid }: StaffRow, now: Temporal.Instant): boolean {
  if (from === null && until === null) return true;
  const today = toWall(requireZone(tzid), now).toPlainDate().toString();
  return (from === null || from <= today) && (until === null || today <= until);
}

const helpOf = ({ role, sections, from_date: from, tzid }: StaffRow): Help => ({
  role: role === 'substitute' ? 'substitute' : 'assistant',
  ...(sections === null ? {} : { sections: new Set(JSON.parse(sections) as SectionId[]) }),
  ...(from === null
    ? {}
    : { since: toInstant(requireZone(tzid), Temporal.PlainDate.from(from).toPlainDateTime()) }),
});

/** What a person sees by, nothing while they are deactivated: the courses they teach or help in at this moment, and those they take with their section. */
export async function viewerOf(
  reader: Reader,
  id: PersonId,
  now: Temporal.Instant,
): Promise<Extract<Viewer, { kind: 'person' }>> {
  const [out] = await select(reader, 'SELECT id FROM people WHERE id = :id AND deactivated_at IS NOT NULL', { id }); // prettier-ignore
  if (out) return { kind: 'person', id, staffOf: new Set(), instructs: new Set(), helps: new Map(), memberOf: new Map(), groups: new Set() }; // prettier-ignore
  const [staff, roster, groups] = await Promise.all([
    select<StaffRow>(
      reader,
      `SELECT staff.*, terms.tzid FROM staff JOIN courses ON courses.id = staff.course_id
       JOIN terms ON terms.id = courses.term_id WHERE person_id = :id`,
      { id },
    ),
    select<{ course_id: CourseId; section_id: SectionId | null }>(
      reader,
      'SELECT course_id, section_id FROM roster WHERE person_id = :id',
      { id },
    ),
    select<{ group_id: GroupId }>(reader, 'SELECT group_id FROM group_members WHERE person_id = :id', { id }),
  ]);
  const present = staff.filter((row) => isOnDuty(row, now));
  const coursesWhere = (roles: readonly StaffRole[]) =>
    present.filter((row) => roles.includes(row.role)).map((row) => row.course_id as CourseId);
  return {
    kind: 'person',
    id,
    staffOf: new Set(coursesWhere(['instructor', 'co'])),
    instructs: new Set(coursesWhere(['instructor'])),
    helps: new Map(
      present
        .filter(({ role }) => role === 'assistant' || role === 'substitute')
        .map((row) => [row.course_id as CourseId, helpOf(row)]),
    ),
    memberOf: new Map(roster.map((row) => [row.course_id, row.section_id ?? undefined])),
    groups: new Set(groups.map((row) => row.group_id)),
  };
}
