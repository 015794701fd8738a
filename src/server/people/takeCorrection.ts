import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import { corrections } from '@/data/people/corrections';
import { personById } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { correctPerson } from './changePerson';

/** The administrator takes over what a course's list says of somebody, or leaves it. */
export function takeCorrection(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  take: boolean,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changePerson', async (change) => {
    if (!mayOffice(actor, 'changePerson')) return refused('notYours');
    const asked = (await corrections(change)).find((one) => one.id === id);
    const person = asked && (await personById(change, asked.person));
    if (!asked || !person) return refused('notFound');
    await change.remove('corrections', id);
    if (take) return correctPerson(pembit, change, actor, { person, name: asked.name, email: asked.email });
    change.summarise(officeTexts.dismissed({ name: asked.name }));
    return done({ name: person.name });
  });
}
