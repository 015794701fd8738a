import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { refTo } from '@/data/history/personRefs';
import { noteInOffice } from '@/data/people/officeLog';
import { personById } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Whether somebody else administers the school, too. */
export async function mayLoseAdministrator(reader: Reader, id: PersonId): Promise<boolean> {
  const others = await select(
    reader,
    'SELECT id FROM people WHERE is_admin = 1 AND deactivated_at IS NULL AND id <> :id LIMIT 1',
    { id },
  );
  return others.length > 0;
}

/** Makes somebody an administrator, or no longer one: a school has always at least one. */
export function setAdministrator(
  pembit: Pembit,
  actor: SignedIn,
  { id, administrator }: Readonly<{ id: PersonId; administrator: boolean }>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changeAdministrators', async (change) => {
    if (!actor.person.isAdmin) return refused('notYours');
    const person = await personById(change, id);
    if (!person || person.deactivated) return refused('notFound');
    if (!administrator && !(await mayLoseAdministrator(change, id))) return refused('lastAdministrator');
    await change.update('people', id, { is_admin: administrator ? 1 : 0 });
    const act = administrator ? 'administrator' : 'noAdministrator';
    if (administrator !== person.isAdmin) await noteInOffice(change, { act, actor: actor.person.id, person: id }); // prettier-ignore
    change.concerns(`person:${id}`);
    change.summarise(administrator ? officeTexts.made(refTo(id)) : officeTexts.unmade(refTo(id)));
    return done({ name: person.name });
  });
}
