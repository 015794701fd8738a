import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

type Member = Readonly<{ course: CourseId; person: PersonId }>;

const departureOf = async (reader: Reader, { course, person }: Member) =>
  (await select<Rows['departures']>(reader, 'SELECT * FROM departures WHERE course_id = :course AND person_id = :person', { course, person }))[0]; // prettier-ignore

/**
 * Notes that somebody is off a course, when, and from which section; and which joining address held then: that one does not
 * bring them back.
 */
export async function noteDeparture(
  change: Change,
  { section, ...member }: Member & Readonly<{ section: SectionId | null }>,
): Promise<void> {
  const [course] = await select<Rows['courses']>(change, 'SELECT * FROM courses WHERE id = :course', member);
  const generation = course?.join_generation ?? 0;
  const known = await departureOf(change, member);
  const facts = { join_generation: generation, left_at: change.nowMs, section_id: section };
  if (known) await change.update('departures', known.id, facts);
  else
    await change.insert('departures', [
      { id: randomUUID(), course_id: member.course, person_id: member.person, ...facts },
    ]);
}

/** Whether somebody left a course while this joining address held, or a later one. */
export async function leftUnder(
  reader: Reader,
  { generation, ...member }: Member & Readonly<{ generation: number }>,
): Promise<boolean> {
  const known = await departureOf(reader, member);
  return known !== undefined && known.join_generation >= generation;
}

/** A course that somebody left, while that is still said. */
export type Left = Readonly<{
  course: CourseId;
  code: string;
  title: string;
  section?: SectionId;
  /** When, where the course is. */
  at: Temporal.ZonedDateTime;
  /** When it is said no more. */
  until: Temporal.Instant;
}>;

/** For how long a page and a feed say that somebody left. */
export const LEFT_DAYS = 14;

/** The courses that somebody left within the last days and is not in again, the last first. */
export async function leftLately(reader: Reader, person: PersonId, now: Temporal.Instant): Promise<Left[]> {
  const rows = await select<Rows['departures'] & { code: string; title: string; tzid: string }>(
    reader,
    `SELECT departures.*, courses.code, courses.title, terms.tzid FROM departures
     JOIN courses ON courses.id = departures.course_id JOIN terms ON terms.id = courses.term_id
     WHERE departures.person_id = :person AND departures.left_at > :since
       AND NOT EXISTS (SELECT 1 FROM roster WHERE roster.course_id = departures.course_id AND roster.person_id = :person)
     ORDER BY departures.left_at DESC`,
    { person, since: now.subtract({ hours: 24 * LEFT_DAYS }).epochMilliseconds },
  );
  const atOf = (row: Rows['departures']) => Temporal.Instant.fromEpochMilliseconds(row.left_at ?? 0);
  return rows.map((row) => ({
    course: row.course_id as CourseId,
    code: row.code,
    title: row.title,
    ...(row.section_id ? { section: row.section_id as SectionId } : {}),
    at: atOf(row).toZonedDateTimeISO(row.tzid),
    until: atOf(row).add({ hours: 24 * LEFT_DAYS }),
  }));
}
