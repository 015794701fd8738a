import { z } from 'zod';
import { line } from '@/core/fields';
import type { PersonId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { queueLetters } from '@/data/mail/outbox';
import { deleteInvitations } from '@/data/people/invitations';
import { hasAdministrator } from '@/data/people/administrators';
import { noteInOffice } from '@/data/people/officeLog';
import type { Person } from '@/data/people/people';
import { personByEmail, personById } from '@/data/people/people';
import { deleteSecondSteps } from '@/data/people/secondSteps';
import { deleteSessions } from '@/data/people/sessions';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';
import { leaveAllStaffs } from './leaveAllStaffs';

export const personChange = z.object({
  name: line(100, 'Type the name.'),
  email: z.email({ error: 'Type a whole e-mail address.' }).max(254).toLowerCase(),
});

/**
 * Gives somebody another name or address. Both addresses are told; whoever was signed in has to come in anew, and whoever never
 * came gets a new link at the new address.
 */
export async function correctPerson(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { person, name, email }: Readonly<{ person: Person; name: string; email: string }>,
): Promise<Outcome<{ name: string }>> {
  const moves = person.email !== email;
  if (moves && (await personByEmail(change, email)))
    return refused('badRequest', [{ field: 'email', message: officeTexts.addressTaken }]);
  if (!moves && person.name === name) return done({ name });
  await change.update('people', person.id, { name, email });
  await noteInOffice(change, {
    act: 'corrected',
    actor: actor.person.id,
    person: person.id,
    detail: [person.name === name ? '' : 'name', moves ? 'email' : ''].filter(Boolean).join(', '),
  });
  change.concerns(`person:${person.id}`);
  change.summarise(officeTexts.corrected({ name: refTo(person.id) }));
  if (!moves) return done({ name });
  await deleteSessions(change, { person_id: person.id });
  const { name: school } = await schoolSettings(change);
  const known = await personByEmail(change, email);
  if (known?.passwordHash === '') await invite(pembit, change, [{ id: person.id, email, name }], { sender: actor.person.id, to: school }); // prettier-ignore
  const text = officeTexts.letters.corrected({ name, school, email });
  const letter = { subject: officeTexts.letters.correctedSubject, text, sender: actor.person.id };
  await queueLetters(
    change,
    [
      { ...letter, to: person.email },
      { ...letter, to: email },
    ],
    change.nowMs,
  );
  return done({ name });
}

/** The administrator corrects a name or an address. */
export function changePerson(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
  input: z.output<typeof personChange>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changePerson', async (change) => {
    if (!mayOffice(actor, 'changePerson')) return refused('notYours');
    const person = await personById(change, id);
    return person ? correctPerson(pembit, change, actor, { person, ...input }) : refused('notFound');
  });
}

/**
 * Lets nobody in as somebody any more, short of erasing; or lets them in again. Courses that nobody else instructs need a
 * successor, by whom all that the person held is kept up.
 */
export function setDeactivated(
  pembit: Pembit,
  actor: SignedIn,
  { id, deactivated, successor }: Readonly<{ id: PersonId; deactivated: boolean; successor?: PersonId }>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'deactivatePerson', async (change) => {
    if (!mayOffice(actor, 'changePerson')) return refused('notYours');
    if (id === actor.person.id)
      return refused('badRequest', [{ field: 'person', message: officeTexts.notYourself }]);
    const person = await personById(change, id);
    if (!person) return refused('notFound');
    const left = deactivated ? await leaveAllStaffs(change, actor, { person: id, successor }) : done(null);
    if (!left.ok) return left;
    await change.update('people', id, { deactivated_at: deactivated ? change.nowMs : null });
    if (person.isAdmin && !(await hasAdministrator(change))) return refused('lastAdministrator');
    await deleteSessions(change, { person_id: id });
    await deleteInvitations(change, [id]);
    await noteInOffice(change, { act: deactivated ? 'deactivated' : 'activated', actor: actor.person.id, person: id }); // prettier-ignore
    change.concerns(`person:${id}`);
    change.summarise(
      deactivated ? officeTexts.deactivated({ name: refTo(id) }) : officeTexts.activated({ name: refTo(id) }),
    );
    return done({ name: person.name });
  });
}

/** Takes away somebody's second step, for a phone that was lost; its owner is written to. */
export function resetSecondStep(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
): Promise<Outcome<{ name: string }>> {
  return pembit.queue.write(async (writer) => {
    if (!mayOffice(actor, 'changePerson')) return refused('notYours');
    const person = await personById(writer, id);
    if (!person) return refused('notFound');
    await deleteSecondSteps(writer, id);
    const nowMs = pembit.now().epochMilliseconds;
    await noteInOffice({ ...writer, nowMs }, { act: 'resetSecondStep', actor: actor.person.id, person: id });
    const { name: school } = await schoolSettings(writer);
    const { secondStepSubject: subject, secondStep } = officeTexts.letters;
    await queueLetters(writer, [{ to: person.email, subject, text: secondStep({ name: person.name, school }), sender: actor.person.id }], nowMs); // prettier-ignore
    return done({ name: person.name });
  });
}
