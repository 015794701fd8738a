import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { failedLetters, newestLetters, takeUpAnew } from '@/data/mail/outbox';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Letters that this person caused and that were given up: shown to them until somebody sends anew. */
export const failedMailOf = (pembit: Pembit, { person }: SignedIn) => failedLetters(pembit, person.id);

/** The newest letters with their state, for the administrator. */
export const outboxOf = (pembit: Pembit) => newestLetters(pembit, 30);

/** Sends a letter anew: whoever caused it may, and the administrator. */
export async function sendAnew(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ id: string }>> {
  const own = (await failedLetters(pembit, actor.person.id)).some((letter) => letter.id === id);
  if (!own && !actor.person.isAdmin) return refused('notFound');
  const found = await pembit.queue.write((writer) => takeUpAnew(writer, id, pembit.now().epochMilliseconds));
  return found ? done({ id }) : refused('notFound');
}
