import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Whom an account at a provider is linked to. */
export async function accountOf(
  reader: Reader,
  issuer: string,
  subject: string,
): Promise<PersonId | undefined> {
  const [row] = await select<{ person_id: PersonId }>(
    reader,
    'SELECT person_id FROM school_accounts WHERE issuer = :issuer AND subject = :subject',
    { issuer, subject },
  );
  return row?.person_id;
}

/** Whether somebody has an account of a provider already. */
export const linkedAt = async (reader: Reader, person: PersonId, issuer: string): Promise<boolean> =>
  (await select(reader, 'SELECT id FROM school_accounts WHERE person_id = :person AND issuer = :issuer', { person, issuer })).length > 0; // prettier-ignore

export type SchoolAccount = Readonly<{ id: string; issuer: string; linkedAtMs: number }>;

export async function accountsOf(reader: Reader, person: PersonId): Promise<SchoolAccount[]> {
  const rows = await select<{ id: string; issuer: string; linked_at: number }>(
    reader,
    'SELECT id, issuer, linked_at FROM school_accounts WHERE person_id = :person ORDER BY linked_at',
    { person },
  );
  return rows.map(({ linked_at: linkedAtMs, ...row }) => ({ ...row, linkedAtMs }));
}

type NewAccount = Readonly<{ person: PersonId; issuer: string; subject: string; nowMs: number }>;

export async function insertAccount(
  writer: Writer,
  { person, issuer, subject, nowMs }: NewAccount,
): Promise<void> {
  await run(
    writer,
    'INSERT INTO school_accounts (id, person_id, issuer, subject, linked_at) VALUES (:id, :person, :issuer, :subject, :nowMs)',
    { id: randomUUID(), person, issuer, subject, nowMs },
  );
}

/** Takes a link away; whose it is has to be said. */
export async function removeAccount(writer: Writer, id: string, person: PersonId): Promise<boolean> {
  const found = await select(writer, 'SELECT id FROM school_accounts WHERE id = :id AND person_id = :person', { id, person }); // prettier-ignore
  await run(writer, 'DELETE FROM school_accounts WHERE id = :id AND person_id = :person', { id, person });
  return found.length > 0;
}
