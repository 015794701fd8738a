import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { PersonInput } from '@/core/people/personInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { schoolTexts } from '@/core/texts/school';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { peopleWhoTeach } from '@/data/people/office';
import { noteInOffice } from '@/data/people/officeLog';
import { personByEmail, personById, personRow } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';

/** People who may teach: everyone who is on no roster only, staff and administrators. For the administrator. */
export const teachingPeople = (pembit: Pembit): ReturnType<typeof peopleWhoTeach> => peopleWhoTeach(pembit);

/** The administrator adds somebody who will teach; a letter brings the link for the first sign-in. */
export function addPerson(
  pembit: Pembit,
  actor: SignedIn,
  input: PersonInput,
): Promise<Outcome<{ id: PersonId; name: string }>> {
  return perform(pembit, actor, 'addPerson', async (change) => {
    if (!mayOffice(actor, 'addPerson')) return refused('notYours');
    if (await personByEmail(change, input.email))
      return refused('badRequest', [{ field: 'email', message: 'Somebody has this address already.' }]);
    const [id] = await makePeople(pembit, change, actor, [input]);
    change.summarise(`${schoolTexts.addPerson}: ${refTo(id!)}`);
    return done({ id: id!, name: input.name });
  });
}

/** Makes accounts that nobody has yet, in the order given, and sends each a letter with the link for the first sign-in. */
export async function makePeople(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  inputs: readonly PersonInput[],
): Promise<PersonId[]> {
  const people = inputs.map(({ name, email }) => ({ id: randomUUID() as PersonId, name, email }));
  await change.insert(
    'people',
    people.map((person) => personRow(person, change.nowMs)),
  );
  const to = (await schoolSettings(change)).name;
  await invite(pembit, change, people, { sender: actor.person.id, to });
  for (const { id } of people)
    await noteInOffice(change, { act: 'made', actor: actor.person.id, person: id });
  return people.map(({ id }) => id);
}

/** A new link for the first sign-in, or for somebody who lost the password: the administrator sends it. */
export async function sendInvitation(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
): Promise<Outcome<{ name: string }>> {
  if (!mayOffice(actor, 'addPerson')) return refused('notYours');
  const person = await personById(pembit, id);
  if (!person || person.deactivated) return refused('notFound');
  const to = (await schoolSettings(pembit)).name;
  await pembit.queue.write((writer) => invite(pembit, writer, [person], { sender: actor.person.id, to }));
  return done({ name: person.name });
}
