import type { CourseId, GroupId, PersonId, SectionId } from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import type { Reader } from '../database';
import { select } from '../database';
import type { Rows } from '../rows';

export type Person = Readonly<{ id: PersonId; email: string; name: string; isAdmin: boolean }>;

type PersonRow = Rows['people'];

export const toPerson = (row: PersonRow): Person => ({
  id: row.id as PersonId,
  email: row.email,
  name: row.name,
  isAdmin: row.is_admin === 1,
});

/** Somebody who has not signed in yet, unless there is a password already. */
export const personRow = (
  person: Readonly<{ id: PersonId; email: string; name: string; isAdmin?: boolean; sourcedId?: string }>,
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
});

export async function personById(reader: Reader, id: string): Promise<Person | undefined> {
  const [row] = await select<PersonRow>(reader, 'SELECT * FROM people WHERE id = :id', { id });
  return row && toPerson(row);
}

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

/** What a person sees by: the courses they teach, and those they take with their section. */
export async function viewerOf(reader: Reader, id: PersonId): Promise<Extract<Viewer, { kind: 'person' }>> {
  const [staff, roster, groups] = await Promise.all([
    select<{ course_id: CourseId }>(reader, 'SELECT course_id FROM staff WHERE person_id = :id', { id }),
    select<{ course_id: CourseId; section_id: SectionId | null }>(
      reader,
      'SELECT course_id, section_id FROM roster WHERE person_id = :id',
      { id },
    ),
    select<{ group_id: GroupId }>(reader, 'SELECT group_id FROM group_members WHERE person_id = :id', { id }),
  ]);
  return {
    kind: 'person',
    id,
    staffOf: new Set(staff.map((row) => row.course_id)),
    memberOf: new Map(roster.map((row) => [row.course_id, row.section_id ?? undefined])),
    groups: new Set(groups.map((row) => row.group_id)),
  };
}
