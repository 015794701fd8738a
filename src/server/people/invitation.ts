import { createHash, randomBytes } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { mailTexts } from '@/core/texts/mail';
import type { Reader, Writer } from '@/data/reader';
import type { Letter } from '@/data/mail/outbox';
import { recordChange } from '@/data/history/change';
import { queueLetters } from '@/data/mail/outbox';
import type { Invited } from '@/data/people/invitations';
import { deleteInvitations, insertInvitations, invitedPerson } from '@/data/people/invitations';
import { noteComing, personByEmail, writePassword } from '@/data/people/people';
import { deleteSessions } from '@/data/people/sessions';
import type { Pembit } from '../pembit';
import { choosePassword } from '../session/choosePassword';
import { finishJoining, joinRequest } from './joining';

const HOLDS_MS = 7 * 24 * 3_600_000;
const idOf = (token: string) => createHash('sha256').update(token).digest('hex');

type Invitee = Readonly<{ id: PersonId; email: string; name: string }>;
type Sending = Readonly<{
  sender: PersonId | null;
  holdsMs: number;
  subject: string;
  text: (person: Invitee, link: string) => string;
}>;

/** Makes links for a first sign-in and queues the letters that carry them; earlier links of these people end. */
export async function invite(
  pembit: Pembit,
  writer: Writer,
  people: readonly Invitee[],
  { sender, to }: { sender: PersonId | null; to: string },
): Promise<void> {
  if (people.length === 0) return;
  await deleteInvitations(writer, people.map(({ id }) => id)); // prettier-ignore
  await sendLinks(pembit, writer, people, {
    sender,
    holdsMs: HOLDS_MS,
    subject: mailTexts.invitationSubject({ to }),
    text: ({ name }, link) => mailTexts.invitation({ name, to, link }),
  });
}

/** Sends each a link with which they choose a password. Links that they have already stay: anybody may ask for one. */
export async function sendLinks(
  pembit: Pembit,
  writer: Writer,
  people: readonly Invitee[],
  { sender, holdsMs, subject, text }: Sending,
): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  const made = people.map((person) => ({ person, token: randomBytes(32).toString('base64url') }));
  await insertInvitations(writer, made.map(({ person, token }) => ({ id: idOf(token), person: person.id, expiresAtMs: nowMs + holdsMs }))); // prettier-ignore
  const letters = made.map(({ person, token }): Letter => ({
    to: person.email,
    subject,
    text: text(person, `${pembit.config.baseUrl}/welcome/${token}`),
    sender,
  }));
  await queueLetters(writer, letters, nowMs);
}

const invited = (reader: Reader, token: string, nowMs: number): Promise<Invited | undefined> =>
  invitedPerson(reader, idOf(token), nowMs);

/** Whom a link is for, while it holds: somebody known, or who asked to join. Looking does not spend it: mail scanners look, too. */
export async function invitedBy(
  pembit: Pembit,
  token: string,
): Promise<Pick<Invited, 'name' | 'email' | 'known'> | undefined> {
  const nowMs = pembit.now().epochMilliseconds;
  const known = await invited(pembit, token, nowMs);
  const asked = known ? undefined : await joinRequest(pembit, token, nowMs);
  return known ?? (asked && { name: asked.row.name, email: asked.row.email, known: 0 });
}

/** The first sign-in: sets the password and spends the link. Whoever asked to join becomes a person by it. */
export async function acceptInvitation(
  pembit: Pembit,
  token: string,
  password: string,
): Promise<Outcome<{ email: string }>> {
  const asked = await invitedBy(pembit, token);
  if (!asked) return refused('notFound');
  const chosen = await choosePassword(password, [asked.name, asked.email]);
  if (!chosen.ok) return chosen;
  const nowMs = pembit.now().epochMilliseconds;
  const act = { act: 'joinedByLetter', summary: '', actor: null, nowMs };
  const { result } = await recordChange(pembit.queue, act, async (change): Promise<Outcome<{ email: string }>> => {
    const person = await invited(change, token, nowMs);
    if (!person) {
      const request = await joinRequest(change, token, nowMs);
      if (!request || (await personByEmail(change, request.row.email))) return refused('notFound');
      await finishJoining(change, request, chosen.value);
      return done({ email: request.row.email });
    }
    await writePassword(change, person.id, chosen.value);
    await noteComing(change, person.id, nowMs);
    await deleteInvitations(change, [person.id]);
    await deleteSessions(change, { person_id: person.id });
    return done({ email: person.email });
  });
  return result;
} // prettier-ignore
