import type { Outcome } from '@/core/refusals';
import { done, refused, tooOften } from '@/core/refusals';
import { passwordTexts } from '@/core/texts/passwords';
import { personByEmail, writePassword } from '@/data/people/people';
import { deleteSessions } from '@/data/people/sessions';
import { sendLinks } from '../people/invitation';
import type { Pembit } from '../pembit';
import { choosePassword } from './choosePassword';
import { verifyPassword } from './password';
import type { SignedIn } from './session';
import { openSession } from './session';
import { letterAsked, mayWriteTo } from './anonymousLetters';
import type { Try } from './tries';
import { giveBackTries, takeTries } from './tries';

const HOLDS_MS = 30 * 60_000;

/** Another password, for whoever knows the present one. All sessions end; the answer is a new one for this device. */
export async function changePassword(
  pembit: Pembit,
  { person }: SignedIn,
  { current, password }: Readonly<{ current: string; password: string }>,
): Promise<Outcome<{ token: string }>> {
  const tried: readonly Try[] = [['signIn', person.id]];
  const wait = await takeTries(pembit, tried);
  if (wait > 0) return tooOften(wait);
  const known = await personByEmail(pembit, person.email);
  if (!known || !(await verifyPassword(current, known.passwordHash))) {
    return refused('badRequest', [{ field: 'current', message: passwordTexts.wrongCurrent }]);
  }
  await giveBackTries(pembit, tried);
  const chosen = await choosePassword(password, [person.name, person.email]);
  if (!chosen.ok) return chosen;
  await pembit.queue.write(
    async (writer) => {
      await writePassword(writer, person.id, chosen.value);
      await deleteSessions(writer, { person_id: person.id });
    },
    { aside: true },
  );
  return done({ token: await openSession(pembit, person.id) });
}

/** Sends a link for a new password. The answer is the same whoever asks: who has an account is nobody else’s business. */
export async function sendReset(pembit: Pembit, email: string, from: string): Promise<Outcome<null>> {
  const wait = await letterAsked(pembit, from);
  if (wait > 0) return tooOften(wait);
  const person = await personByEmail(pembit, email);
  if (!person || person.deactivated || !(await mayWriteTo(pembit, person.email))) return done(null);
  await pembit.queue.write(
    (writer) =>
      sendLinks(pembit, writer, [person], {
        sender: null,
        holdsMs: HOLDS_MS,
        subject: passwordTexts.resetSubject,
        text: ({ name }, link) => passwordTexts.reset({ name, link }),
      }),
    { aside: true },
  );
  return done(null);
}
