import type { PersonSettings } from '@/core/frame/personSettings';
import type { CourseId, OutletId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { Change } from '../history/change';
import { outletsOwnedBy, replaceOwner } from '../outlets/outlets';
import type { Rows } from '../rows';

export type StaffRow = Rows['staff'] & Readonly<{ name: string; email: string }>;

/** A course's staff, whoever is so today or not. */
export const staffRowsOf = (reader: Reader, course: CourseId): Promise<StaffRow[]> =>
  select(
    reader,
    `SELECT staff.*, people.name, people.email FROM staff JOIN people ON people.id = staff.person_id
     WHERE course_id = :course ORDER BY people.name`,
    { course },
  );

/** The staff of some courses who want to be written to, as they wrote how; by guardians: who chose that as well. */
export async function contactsOf(
  reader: Reader,
  courses: readonly CourseId[],
  { forGuardians = false }: Readonly<{ forGuardians?: boolean }> = {},
): Promise<{ name: string; contact: string }[]> {
  if (courses.length === 0) return [];
  const rows = await select<{ name: string; settings: string }>(
    reader,
    `SELECT DISTINCT people.id, people.name, person_settings.settings
     FROM staff JOIN people ON people.id = staff.person_id JOIN person_settings ON person_settings.id = people.id
     WHERE staff.course_id IN (:courses) AND people.deactivated_at IS NULL ORDER BY people.name`,
    { courses },
  );
  return rows.flatMap(({ name, settings }) => {
    const { contact, guardiansRead } = JSON.parse(settings) as Partial<PersonSettings>;
    return contact && (!forGuardians || guardiansRead) ? [{ name, contact }] : [];
  });
}

/** Which of some people are on the staffs of some courses, and of how many of these. */
export const staffAmong = (
  reader: Reader,
  people: readonly PersonId[],
  courses: readonly CourseId[],
): Promise<Readonly<{ id: PersonId; name: string; courses: number }>[]> =>
  select(
    reader,
    `SELECT people.id, people.name, COUNT(DISTINCT staff.course_id) AS courses FROM people
     JOIN staff ON staff.person_id = people.id
     WHERE people.id IN (:people) AND staff.course_id IN (:courses) GROUP BY people.id ORDER BY people.name`,
    { people, courses },
  );

/** Courses of which somebody is the only instructor who is not deactivated. */
export const soleInstructorOf = (reader: Reader, person: PersonId): Promise<{ id: CourseId; code: string }[]> =>
  select(
    reader,
    `SELECT courses.id, courses.code FROM staff AS own JOIN courses ON courses.id = own.course_id
     WHERE own.person_id = :person AND own.role = 'instructor' AND NOT EXISTS
       (SELECT 1 FROM staff JOIN people ON people.id = staff.person_id WHERE staff.course_id = own.course_id
        AND staff.role = 'instructor' AND staff.person_id <> :person AND people.deactivated_at IS NULL)
     ORDER BY courses.code`,
    { person },
  ); // prettier-ignore

/** Courses of which somebody is on the staff in any way. */
export const coursesOnStaff = async (reader: Reader, person: PersonId): Promise<CourseId[]> =>
  (await select<{ course_id: CourseId }>(reader, 'SELECT course_id FROM staff WHERE person_id = :person', { person })).map((row) => row.course_id); // prettier-ignore

type Passing = Readonly<{ course: CourseId; from: PersonId; to: PersonId }>;

/**
 * What somebody holds for a course goes to a colleague: as host of its sheets and single times, as owner of outlets and outside
 * calendars, and as who is answered when a letter that still waits is replied to.
 */
export async function passOn(change: Change, { course, from, to }: Passing): Promise<void> {
  const sheets = await select<{ id: string }>(
    change,
    'SELECT sheet_id AS id FROM sheet_audiences WHERE course_id = :course',
    { course },
  );
  for (const { id: sheet } of sheets) await passSheet(change, { sheet, from, to });
  for (const outlet of await outletsOwnedBy(change, from))
    if (outlet.audience !== 'personal' && outlet.courses.includes(course))
      await replaceOwner(change, outlet.id as OutletId, to);
  const calendars = await select<{ id: string }>(
    change,
    `SELECT id FROM calendars WHERE owner_id = :from AND id IN (SELECT calendar_id FROM calendar_courses WHERE course_id = :course)`,
    { from, course },
  );
  for (const { id } of calendars) await change.update('calendars', id, { owner_id: to });
  await run(change, `UPDATE outbox SET sender_id = :to WHERE sender_id = :from AND state = 'queued'`, {
    from,
    to,
  });
  change.concerns(`course:${course}`, `person:${from}`, `person:${to}`);
}

async function passSheet(
  change: Change,
  { sheet, from, to }: Readonly<{ sheet: string; from: PersonId; to: PersonId }>,
): Promise<void> {
  const hosts = await select<Rows['hosts']>(change, 'SELECT * FROM hosts WHERE sheet_id = :sheet', { sheet });
  const own = hosts.find((host) => host.person_id === from);
  if (!own) return;
  if (hosts.some((host) => host.person_id === to)) await change.remove('hosts', own.id);
  else await change.update('hosts', own.id, { person_id: to });
  const slots = await select<{ id: string; start_at: number }>(
    change,
    'SELECT id, start_at FROM slots WHERE sheet_id = :sheet AND host_id = :from',
    { sheet, from },
  );
  for (const { id } of slots) await change.update('slots', id, { host_id: to });
}

/** From now on nobody joins a course by the address that somebody who left may know. */
export async function endJoining(change: Change, course: CourseId): Promise<void> {
  const [row] = await select<Rows['courses']>(change, 'SELECT * FROM courses WHERE id = :course', { course });
  if (row?.join_hash) await change.update('courses', course, { join_hash: null });
}

/** Who plans a course, instructors first. */
export const plannersOf = (
  reader: Reader,
  course: CourseId,
): Promise<Readonly<{ id: PersonId; email: string }>[]> =>
  select(
    reader,
    `SELECT people.id, people.email FROM staff JOIN people ON people.id = staff.person_id
     WHERE course_id = :course AND role IN ('instructor', 'co') ORDER BY staff.role DESC, people.email`,
    { course },
  );
