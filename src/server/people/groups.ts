import { randomUUID } from 'node:crypto';
import type { GroupInput } from '@/core/frame/frameInput';
import type { CourseId, GroupId, PersonId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import type { Change } from '@/data/history/change';
import type { Rows } from '@/data/rows';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

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

/** A group of a course's students, new or as it now is: its name, and exactly these members. */
export function writeGroup(
  pembit: Pembit,
  actor: SignedIn,
  { course, group }: { course: CourseId; group?: GroupId },
  input: GroupInput,
): Promise<Outcome<{ id: GroupId; name: string }>> {
  return perform(pembit, actor, 'writeGroup', async (change) => {
    if (!mayIn(actor, 'writeGroup', course)) return refused('notFound');
    const groups = await groupsOf(change, course);
    if (group && !groups.some((row) => row.id === group)) return refused('notFound');
    if (groups.some((row) => row.name === input.name && row.id !== group))
      return refused('badRequest', [{ field: 'name', message: 'The course has a group of this name.' }]);
    const enrolled = await select<{ person_id: string }>(
      change,
      'SELECT person_id FROM roster WHERE course_id = :course',
      { course },
    );
    if (!input.people.every((person) => enrolled.some((row) => row.person_id === person)))
      return refused('badRequest', [
        { field: 'people', message: 'Somebody in this group is not on the roster any more.' },
      ]);
    const id = group ?? (randomUUID() as GroupId);
    if (group) await change.update('course_groups', id, { name: input.name });
    else await change.insert('course_groups', [{ id, course_id: course, name: input.name }]);
    await writeMembers(change, id, input.people);
    change.concerns(`course:${course}`);
    change.summarise(frameHistoryTexts.wroteGroup(input.name));
    return done({ id, name: input.name });
  });
}

/** Takes a group away; entries that were for it alone must find another audience first. */
export function removeGroup(
  pembit: Pembit,
  actor: SignedIn,
  { course, group }: { course: CourseId; group: GroupId },
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'removeGroup', async (change) => {
    if (!mayIn(actor, 'removeGroup', course)) return refused('notFound');
    const row = (await groupsOf(change, course)).find((g) => g.id === group);
    if (!row) return refused('notFound');
    const used = await select(
      change,
      `SELECT id FROM entry_audiences WHERE course_groups LIKE :group
       UNION SELECT id FROM sheet_audiences WHERE course_groups LIKE :group`,
      { group: `%${group}%` },
    );
    if (used.length > 0) return refused('groupInUse');
    await writeMembers(change, group, []);
    await change.remove('course_groups', group);
    change.concerns(`course:${course}`);
    change.summarise(frameHistoryTexts.removedGroup(row.name));
    return done({ name: row.name });
  });
}

const groupsOf = (reader: Reader, course: CourseId) =>
  select<Rows['course_groups']>(reader, 'SELECT * FROM course_groups WHERE course_id = :course', { course });

async function writeMembers(change: Change, group: GroupId, people: readonly PersonId[]): Promise<void> {
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
