import type { PersonId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import { refTo } from '@/data/history/personRefs';
import { hasAdministrator } from '@/data/people/administrators';
import { noteInOffice } from '@/data/people/officeLog';
import { personById } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Makes somebody an administrator, or no longer one: a school has always at least one. */
export function setAdministrator(
  pembit: Pembit,
  actor: SignedIn,
  { id, administrator }: Readonly<{ id: PersonId; administrator: boolean }>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changeAdministrators', async (change) => {
    if (!mayOffice(actor, 'changeAdministrators')) return refused('notYours');
    const person = await personById(change, id);
    if (!person || person.deactivated) return refused('notFound');
    await change.update('people', id, { is_admin: administrator ? 1 : 0 });
    if (person.isAdmin && !(await hasAdministrator(change))) return refused('lastAdministrator');
    const act = administrator ? 'administrator' : 'noAdministrator';
    if (administrator !== person.isAdmin) await noteInOffice(change, { act, actor: actor.person.id, person: id }); // prettier-ignore
    change.concerns(`person:${id}`);
    change.summarise(
      administrator ? officeTexts.made({ name: refTo(id) }) : officeTexts.unmade({ name: refTo(id) }),
    );
    return done({ name: person.name });
  });
}
