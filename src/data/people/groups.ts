import { randomUUID } from 'node:crypto';
import type { CourseId, GroupId, PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

export const groupRowsOf = (reader: Reader, course: CourseId): Promise<Rows['course_groups'][]> =>
  select(reader, 'SELECT * FROM course_groups WHERE course_id = :course', { course });

/** Who is in which group of a course. */
export async function groupMembersOf(
  reader: Reader,
  course: CourseId,
): Promise<ReadonlyMap<GroupId, readonly PersonId[]>> {
  const rows = await select<{ group_id: GroupId; person_id: PersonId }>(
    reader,
    `SELECT group_id, person_id FROM group_members
     WHERE group_id IN (SELECT id FROM course_groups WHERE course_id = :course)`,
    { course },
  );
  const members = new Map<GroupId, PersonId[]>();
  for (const row of rows) members.set(row.group_id, [...(members.get(row.group_id) ?? []), row.person_id]);
  return members;
}

/** Whether an entry or a sheet is for a group. */
export async function isGroupInUse(reader: Reader, group: GroupId): Promise<boolean> {
  const used = await select(
    reader,
    `SELECT id FROM entry_audiences WHERE course_groups LIKE :group
     UNION SELECT id FROM sheet_audiences WHERE course_groups LIKE :group`,
    { group: `%${group}%` },
  );
  return used.length > 0;
}

/** Puts exactly these people into a group. */
export async function writeMembers(
  change: Change,
  group: GroupId,
  people: readonly PersonId[],
): Promise<void> {
  const rows = await select<Rows['group_members']>(
    change,
    'SELECT * FROM group_members WHERE group_id = :group',
    { group },
  );
  for (const row of rows)
    if (!people.includes(row.person_id as PersonId)) await change.remove('group_members', row.id);
  const fresh = people.filter((person) => !rows.some((row) => row.person_id === person));
  await change.insert(
    'group_members',
    fresh.map((person) => ({ id: randomUUID(), group_id: group, person_id: person })),
  );
}
