import { createHash, randomBytes } from 'node:crypto';
import type { SheetId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { isOnStaff } from '@/core/entries/viewer';
import { done, refused, tooOften } from '@/core/refusals';
import { seenSheet } from '@/core/signup/seenSheet';
import { bookingMailTexts } from '@/core/texts/bookingMail';
import { queueLetters } from '@/data/mail/outbox';
import { personByEmail, viewerOf } from '@/data/people/people';
import { hasMailLinkUntil, mailLinkFor, removeMailLink, replaceMailLink } from '@/data/signup/mailLinks';
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
  const wait = await letterAsked(pembit, from);
  if (wait > 0) return tooOften(wait);
  const sheet = await sheetById(pembit, id);
  const person = await personByEmail(pembit, email);
  if (!sheet || !person || person.deactivated || person.isAdmin) return done(null);
  const viewer = await viewerOf(pembit, person.id, pembit.now());
  // Who teaches signs in with a password: a letter must not open a course.
  if (isOnStaff(viewer) || !seenSheet(viewer, sheet, pembit.now())) return done(null);
  if (!(await mayWriteTo(pembit, person.email))) return done(null);
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    async (writer) => {
      // A link that was asked for a minute ago is still on its way.
      if (await hasMailLinkUntil(writer, person.id, nowMs + HOLDS_MS - 60_000)) return;
      const token = randomBytes(32).toString('base64url');
      await replaceMailLink(writer, { id: idOf(token), person: person.id, sheet: id, expiresAtMs: nowMs + HOLDS_MS }); // prettier-ignore
      const letter = {
        to: person.email,
        subject: bookingMailTexts.linkSubject({ title: sheet.title }),
        text: bookingMailTexts.link({
          name: person.name,
          title: sheet.title,
          link: `${pembit.config.baseUrl}/s/${id}?link=${token}`,
        }),
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
  const nowMs = pembit.now().epochMilliseconds;
  return (await mailLinkFor(pembit, { id: idOf(token), sheet: id, nowMs })) !== undefined;
}

/** Spends a link: a session for whom it was sent to. */
export async function spendMailLink(
  pembit: Pembit,
  id: SheetId,
  token: string,
): Promise<Outcome<{ token: string }>> {
  const nowMs = pembit.now().epochMilliseconds;
  const person = await pembit.queue.write(async (writer) => {
    const found = await mailLinkFor(writer, { id: idOf(token), sheet: id, nowMs });
    if (found) await removeMailLink(writer, idOf(token));
    return found;
  });
  return person ? done({ token: await openSession(pembit, person) }) : refused('linkSpent');
}
