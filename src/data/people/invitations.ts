import type { PersonId } from '@/core/ids';
import type { Writer } from '../writeQueue';

/** A link by which somebody chooses a password. `id` is the hash of its token: a copy of the database opens nothing. */
export type Invitation = Readonly<{ id: string; person: PersonId; expiresAtMs: number }>;

export async function insertInvitations(writer: Writer, invitations: readonly Invitation[]): Promise<void> {
  const rows = invitations.map(({ id, person, expiresAtMs }) => ({ id, person_id: person, expires_at: expiresAtMs })); // prettier-ignore
  await writer.sequelize
    .getQueryInterface()
    .bulkInsert('invitations', rows, { transaction: writer.transaction });
}

export async function deleteInvitations(writer: Writer, people: readonly PersonId[]): Promise<void> {
  await writer.sequelize
    .getQueryInterface()
    .bulkDelete('invitations', { person_id: [...people] }, { transaction: writer.transaction });
}
