import { createHash, randomBytes } from 'node:crypto';
import type { PersonId, SheetId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { isOnStaff } from '@/core/entries/viewer';
import { done, refused, tooOften } from '@/core/refusals';
import { seenSheet } from '@/core/signup/seenSheet';
import { bookingMailTexts } from '@/core/texts/bookingMail';
import { select } from '@/data/database';
import { queueLetters } from '@/data/mail/outbox';
import { viewerOf } from '@/data/people/people';
import { sheetById } from '@/data/signup/sheets';
import type { Pembit } from '../pembit';
import { letterAsked, mayWriteTo } from '../session/anonymousLetters';
import { openSession } from '../session/session';

const HOLDS_MS = 15 * 60_000;
const idOf = (token: string) => createHash('sha256').update(token).digest('hex');

/**
 * Sends a link to a sheet to a student whom it is for. The answer is the same whoever asks: who is on a roster is nobody
 * else's business. At most one link at a time for each person.
 */
export async function sendMailLink(
  pembit: Pembit,
  id: SheetId,
  email: string,
  from: string,
): Promise<Outcome<null>> {
  const wait = letterAsked(pembit, from);
  if (wait > 0) return tooOften(wait);
  const sheet = await sheetById(pembit, id);
  const [person] = await select<{ id: PersonId; name: string; email: string; is_admin: number }>(
    pembit,
    'SELECT id, name, email, is_admin FROM people WHERE email = :email AND deactivated_at IS NULL',
    { email: email.trim().toLowerCase() },
  );
  if (!sheet || !person || person.is_admin === 1) return done(null);
  const viewer = await viewerOf(pembit, person.id, pembit.now());
  // Who teaches signs in with a password: a letter must not open a course.
  if (isOnStaff(viewer) || !seenSheet(viewer, sheet, pembit.now())) return done(null);
  if (!mayWriteTo(pembit, person.email)) return done(null);
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    async (writer) => {
      const { sequelize, transaction } = writer;
      const queries = sequelize.getQueryInterface();
      const recent = await select(
        writer,
        'SELECT id FROM mail_links WHERE person_id = :person AND expires_at > :recent',
        { person: person.id, recent: nowMs + HOLDS_MS - 60_000 },
      );
      // A link that was asked for a minute ago is still on its way.
      if (recent.length > 0) return;
      const token = randomBytes(32).toString('base64url');
      await queries.bulkDelete('mail_links', { person_id: person.id }, { transaction });
      await queries.bulkInsert(
        'mail_links',
        [{ id: idOf(token), person_id: person.id, sheet_id: id, expires_at: nowMs + HOLDS_MS }],
        { transaction },
      );
      const letter = {
        to: person.email,
        subject: bookingMailTexts.linkSubject(sheet.title),
        text: bookingMailTexts.link(
          person.name,
          sheet.title,
          `${pembit.config.baseUrl}/s/${id}?link=${token}`,
        ),
        sender: null,
      };
      await queueLetters(writer, [letter], nowMs);
    },
    { aside: true },
  );
  return done(null);
}

/** Whether a link still holds. Looking does not spend it: mail scanners look, too. */
export async function holdsLink(pembit: Pembit, id: SheetId, token: string): Promise<boolean> {
  const rows = await select(
    pembit,
    'SELECT id FROM mail_links WHERE id = :id AND sheet_id = :sheet AND expires_at > :nowMs',
    { id: idOf(token), sheet: id, nowMs: pembit.now().epochMilliseconds },
  );
  return rows.length > 0;
}

/** Spends a link: a session for whom it was sent to. */
export async function spendMailLink(
  pembit: Pembit,
  id: SheetId,
  token: string,
): Promise<Outcome<{ token: string }>> {
  const nowMs = pembit.now().epochMilliseconds;
  const person = await pembit.queue.write(async (writer) => {
    const [row] = await select<{ person_id: PersonId }>(
      writer,
      'SELECT person_id FROM mail_links WHERE id = :id AND sheet_id = :sheet AND expires_at > :nowMs',
      { id: idOf(token), sheet: id, nowMs },
    );
    if (!row) return undefined;
    await writer.sequelize
      .getQueryInterface()
      .bulkDelete('mail_links', { id: idOf(token) }, { transaction: writer.transaction });
    return row.person_id;
  });
  return person ? done({ token: await openSession(pembit, person) }) : refused('linkSpent');
}
