import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows, updateRows } from '../statements';

/** `id` is the SHA-256 of the cookie's token: a copy of the database signs nobody in. */
export type Session = Readonly<{ id: string; person: PersonId; createdAtMs: number; seenAtMs: number; shared: boolean; bySchool: boolean; /** The course site whose launch opened it. */ platform?: string }>; // prettier-ignore

export async function sessionById(reader: Reader, id: string): Promise<Session | undefined> {
  const [row] =
    await select<{ id: string; person_id: PersonId; created_at: number; seen_at: number; shared: number; by_school: number; platform_id: string | null }> // prettier-ignore
    (reader, 'SELECT * FROM sessions WHERE id = :id', { id });
  return row && { id: row.id, person: row.person_id, createdAtMs: row.created_at, seenAtMs: row.seen_at, shared: row.shared === 1, bySchool: row.by_school === 1, ...(row.platform_id === null ? {} : { platform: row.platform_id }) }; // prettier-ignore
}

export async function insertSession(writer: Writer, session: Session): Promise<void> {
  await insertRows(writer, 'sessions', [
    {
      id: session.id,
      person_id: session.person,
      created_at: session.createdAtMs,
      seen_at: session.seenAtMs,
      shared: session.shared ? 1 : 0,
      by_school: session.bySchool ? 1 : 0,
      platform_id: session.platform ?? null,
    },
  ]);
}

export async function touchSession(writer: Writer, id: string, seenAtMs: number): Promise<void> {
  await updateRows(writer, 'sessions', { seen_at: seenAtMs }, { id });
}

export async function deleteSessions(
  writer: Writer,
  where: { id: string } | { person_id: string },
): Promise<void> {
  await deleteRows(writer, 'sessions', where);
}
