import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { select } from '@/data/database';
import { erasePerson, personalData } from '@/data/people/personalData';
import type { PersonalData } from '@/data/people/personalData';
import { personById } from '@/data/people/people';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Everything Pembit holds about a person, for the administrator to hand over. */
export async function exportPerson(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
): Promise<Outcome<PersonalData>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const data = await personalData(pembit, id);
  return data ? done(data) : refused('notFound');
}

/**
 * Erases a person: account, memberships, times, mail, and every trace in the history. There is no way back, which is
 * why `email` must be typed out.
 */
export async function eraseAccount(
  pembit: Pembit,
  actor: SignedIn,
  { id, email }: { id: PersonId; email: string },
): Promise<Outcome<{ name: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  return pembit.queue.write(async (writer) => {
    const person = await personById(writer, id);
    if (!person) return refused('notFound');
    if (person.email !== email.trim().toLowerCase())
      return refused('badRequest', [{ field: 'email', message: 'This is not the address of this person.' }]);
    if (person.id === actor.person.id)
      return refused('badRequest', [{ field: 'email', message: 'You cannot erase your own account.' }]);
    const alone = await select(
      writer,
      `SELECT 1 AS one FROM staff AS own WHERE person_id = :id AND role = 'instructor' AND NOT EXISTS
       (SELECT 1 FROM staff WHERE course_id = own.course_id AND role = 'instructor' AND person_id <> :id)`,
      { id },
    );
    if (alone.length > 0) return refused('onlyInstructor');
    await erasePerson(writer, person, pembit.now().epochMilliseconds);
    return done({ name: person.name });
  });
}
