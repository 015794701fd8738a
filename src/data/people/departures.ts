import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

type Member = Readonly<{ course: CourseId; person: PersonId }>;

const departureOf = async (reader: Reader, { course, person }: Member) =>
  (await select<Rows['departures']>(reader, 'SELECT * FROM departures WHERE course_id = :course AND person_id = :person', { course, person }))[0]; // prettier-ignore

/** Notes that somebody is off a course, and which joining address held then: that one does not bring them back. */
export async function noteDeparture(change: Change, member: Member): Promise<void> {
  const [course] = await select<Rows['courses']>(change, 'SELECT * FROM courses WHERE id = :course', member);
  const generation = course?.join_generation ?? 0;
  const known = await departureOf(change, member);
  if (known) await change.update('departures', known.id, { join_generation: generation });
  else
    await change.insert('departures', [
      { id: randomUUID(), course_id: member.course, person_id: member.person, join_generation: generation },
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
