import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { staffTexts } from '@/core/texts/staff';
import { refTo, withNames } from '@/data/history/personRefs';
import { recordChange } from '@/data/history/change';
import { hasAdministrator } from '@/data/people/administrators';
import { noteInOffice } from '@/data/people/officeLog';
import { erasePerson, personalData } from '@/data/people/personalData';
import type { PersonalData } from '@/data/people/personalData';
import { personById } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { noteErasure } from './erasures';
import { leaveAllStaffs } from './leaveAllStaffs';

/** Everything Pembit holds about a person, for the administrator to hand over. That it was asked for is noted. */
export async function exportPerson(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
): Promise<Outcome<PersonalData>> {
  if (!actor.person.isAdmin && actor.person.id !== id) return refused('notYours');
  const data = await personalData(pembit, id);
  if (!data) return refused('notFound');
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    (writer) => noteInOffice({ ...writer, nowMs }, { act: 'exported', actor: actor.person.id, person: id }),
    { aside: true },
  );
  const acts = await withNames(pembit, data.history as { summary: string }[], historyTexts.somebody);
  return done({ ...data, history: acts });
}

/**
 * Erases a person: account, memberships, times, mail, and every trace in the history. There is no way back, which is why
 * `email` must be typed out. Courses that nobody else instructs go to the successor.
 */
export async function eraseAccount(
  pembit: Pembit,
  actor: SignedIn,
  { id, email, successor }: Readonly<{ id: PersonId; email: string; successor?: PersonId }>,
): Promise<Outcome<{ name: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const nowMs = pembit.now().epochMilliseconds;
  const person = await personById(pembit, id);
  if (!person) return refused('notFound');
  if (person.email !== email.trim().toLowerCase())
    return refused('badRequest', [{ field: 'email', message: 'This is not the address of this person.' }]);
  if (person.id === actor.person.id)
    return refused('badRequest', [{ field: 'email', message: 'You cannot erase your own account.' }]);
  // What they hold is handed on by an act of its own: the erasing itself leaves nothing that could be put back.
  const left = await perform(pembit, actor, 'changeStaff', async (change) => {
    if (person.isAdmin) await change.update('people', id, { is_admin: 0 });
    if (person.isAdmin && !(await hasAdministrator(change))) return refused('lastAdministrator');
    change.summarise(staffTexts.removed({ name: refTo(id) }));
    return leaveAllStaffs(change, actor, { person: id, successor });
  });
  if (!left.ok) return left;
  noteErasure(pembit.config.dataFolder, { id, at: nowMs });
  await recordChange(
    pembit.queue,
    { act: 'tidy', summary: '', actor: actor.person.id, nowMs },
    async (change) => {
      await erasePerson(change, person, nowMs);
      await noteInOffice(change, { act: 'erased', actor: actor.person.id, person: id });
    },
  );
  return done({ name: person.name });
}
