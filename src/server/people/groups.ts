import { randomUUID } from 'node:crypto';
import type { GroupInput } from '@/core/frame/frameInput';
import type { CourseId, GroupId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { enrolledPeople } from '@/data/people/enrolment';
import { groupMembersOf, groupRowsOf, isGroupInUse, writeMembers } from '@/data/people/groups';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Who is in which group of a course, for its page. */
export const membersByGroup = (pembit: Pembit, course: CourseId) => groupMembersOf(pembit, course);

/** A group of a course's students, new or as it now is: its name, and exactly these members. */
export function writeGroup(
  pembit: Pembit,
  actor: SignedIn,
  { course, group }: { course: CourseId; group?: GroupId },
  input: GroupInput,
): Promise<Outcome<{ id: GroupId; name: string }>> {
  return perform(pembit, actor, 'writeGroup', async (change) => {
    if (!mayIn(actor, 'writeGroup', course)) return refused('notFound');
    const groups = await groupRowsOf(change, course);
    if (group && !groups.some((row) => row.id === group)) return refused('notFound');
    if (groups.some((row) => row.name === input.name && row.id !== group))
      return refused('badRequest', [{ field: 'name', message: 'The course has a group of this name.' }]);
    const enrolled = await enrolledPeople(change, [course]);
    if (!input.people.every((person) => enrolled.has(person)))
      return refused('badRequest', [
        { field: 'people', message: 'Somebody in this group is not on the roster any more.' },
      ]);
    const id = group ?? (randomUUID() as GroupId);
    if (group) await change.update('course_groups', id, { name: input.name });
    else await change.insert('course_groups', [{ id, course_id: course, name: input.name }]);
    await writeMembers(change, id, input.people);
    change.concerns(`course:${course}`);
    change.summarise(frameHistoryTexts.wroteGroup({ name: input.name }));
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
    const row = (await groupRowsOf(change, course)).find((g) => g.id === group);
    if (!row) return refused('notFound');
    if (await isGroupInUse(change, group)) return refused('groupInUse');
    await writeMembers(change, group, []);
    await change.remove('course_groups', group);
    change.concerns(`course:${course}`);
    change.summarise(frameHistoryTexts.removedGroup({ name: row.name }));
    return done({ name: row.name });
  });
}
