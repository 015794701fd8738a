import type { OutletId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { mailTexts } from '@/core/texts/mail';
import { queueLetters } from '@/data/mail/outbox';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { outletFor } from './publish';

/** Sends somebody an address of theirs by letter, to have it on another device; to their own mailbox alone. */
export async function mailAddress(
  pembit: Pembit,
  actor: SignedIn,
  id: OutletId,
): Promise<Outcome<{ to: string }>> {
  const found = await outletFor(pembit, actor, id);
  if (!found.ok) return found;
  const { name, url } = found.value;
  const { email: to, name: person } = actor.person;
  const letter = { to, subject: mailTexts.addressSubject({ name }), text: mailTexts.address({ person, name, url }) };
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write((writer) => queueLetters(writer, [{ ...letter, sender: null }], nowMs), { aside: true });
  return done({ to });
} // prettier-ignore
