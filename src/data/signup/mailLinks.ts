import type { PersonId, SheetId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows } from '../statements';

/** A link to a sheet that was sent by mail. `id` is the hash of its token: a copy of the database opens nothing. */
export type MailLink = Readonly<{ id: string; person: PersonId; sheet: SheetId; expiresAtMs: number }>;

/** Puts a link in the place of those that somebody had. */
export async function replaceMailLink(writer: Writer, { id, person, sheet, expiresAtMs }: MailLink): Promise<void> {
  await deleteRows(writer, 'mail_links', { person_id: person });
  await insertRows(writer, 'mail_links', [{ id, person_id: person, sheet_id: sheet, expires_at: expiresAtMs }]);
} // prettier-ignore

/** Whether somebody has a link that holds longer than until then. */
export const hasMailLinkUntil = async (reader: Reader, person: PersonId, untilMs: number): Promise<boolean> =>
  (await select(reader, 'SELECT id FROM mail_links WHERE person_id = :person AND expires_at > :untilMs', { person, untilMs })).length > 0; // prettier-ignore

/** Whom a link to a sheet was sent to, while it holds. */
export const mailLinkFor = async (
  reader: Reader,
  { id, sheet, nowMs }: Readonly<{ id: string; sheet: SheetId; nowMs: number }>,
): Promise<PersonId | undefined> =>
  (
    await select<{ person_id: PersonId }>(
      reader,
      'SELECT person_id FROM mail_links WHERE id = :id AND sheet_id = :sheet AND expires_at > :nowMs',
      { id, sheet, nowMs },
    )
  )[0]?.person_id;

export async function removeMailLink(writer: Writer, id: string): Promise<void> {
  await deleteRows(writer, 'mail_links', { id });
}
