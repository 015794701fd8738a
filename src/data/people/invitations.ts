import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows } from '../statements';

/** A link by which somebody chooses a password. `id` is the hash of its token: a copy of the database opens nothing. */
export type Invitation = Readonly<{ id: string; person: PersonId; expiresAtMs: number }>;

export async function insertInvitations(writer: Writer, invitations: readonly Invitation[]): Promise<void> {
  const rows = invitations.map(({ id, person, expiresAtMs }) => ({ id, person_id: person, expires_at: expiresAtMs })); // prettier-ignore
  await insertRows(writer, 'invitations', rows);
}

export async function deleteInvitations(writer: Writer, people: readonly PersonId[]): Promise<void> {
  await deleteRows(writer, 'invitations', { person_id: [...people] });
}

/** Whom a link is for. `known` is 1 for who has a password already, and chooses another. */
export type Invited = Readonly<{ id: PersonId; name: string; email: string; known: number }>;

export const invitedPerson = async (
  reader: Reader,
  id: string,
  nowMs: number,
): Promise<Invited | undefined> =>
  (
    await select<Invited>(
      reader,
      `SELECT people.id, people.name, people.email, CASE WHEN people.password_hash = '' THEN 0 ELSE 1 END AS known
       FROM invitations JOIN people ON people.id = invitations.person_id
       WHERE invitations.id = :id AND expires_at > :nowMs AND people.deactivated_at IS NULL`,
      { id, nowMs },
    )
  )[0];
