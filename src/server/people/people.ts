import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { line } from '@/core/fields';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { schoolTexts } from '@/core/texts/school';
import { select } from '@/data/database';
import { personByEmail, personById, personRow } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';

export const personInput = z.object({
  name: line(100, 'Type the name.'),
  email: z.email({ error: 'Type a whole e-mail address.' }).max(254).toLowerCase(),
});

/** People who may teach: everyone who is on no roster only, staff and administrators. For the administrator. */
export function teachingPeople(
  pembit: Pembit,
): Promise<{ id: PersonId; name: string; email: string; waiting: number }[]> {
  return select(
    pembit,
    `SELECT id, name, email, password_hash = '' AS waiting FROM people
     WHERE is_admin = 1 OR id IN (SELECT person_id FROM staff) OR id NOT IN (SELECT person_id FROM roster) ORDER BY name`,
  );
}

export type FoundPerson = Readonly<{ id: PersonId; name: string; email: string }>;

/** Anybody at the school whose name or address holds the words; at most 20. For the administrator. */
export async function findPeople(
  pembit: Pembit,
  actor: SignedIn,
  words: string,
): Promise<Outcome<FoundPerson[]>> {
  if (!actor.person.isAdmin) return refused('notYours');
  if (words === '') return done([]);
  return done(
    await select<FoundPerson>(
      pembit,
      `SELECT id, name, email FROM people WHERE LOWER(name) LIKE :like ESCAPE '\\' OR email LIKE :like ESCAPE '\\'
       ORDER BY name LIMIT 20`,
      { like: `%${words.toLowerCase().replace(/[\\%_]/g, '\\$&')}%` },
    ),
  );
}

/** The administrator adds somebody who will teach; a letter brings the link for the first sign-in. */
export function addPerson(
  pembit: Pembit,
  actor: SignedIn,
  input: z.output<typeof personInput>,
): Promise<Outcome<{ id: PersonId; name: string }>> {
  return perform(pembit, actor, 'addPerson', async (change) => {
    if (!actor.person.isAdmin) return refused('notYours');
    if (await personByEmail(change, input.email))
      return refused('badRequest', [{ field: 'email', message: 'Somebody has this address already.' }]);
    const id = randomUUID() as PersonId;
    await change.insert('people', [personRow({ ...input, id }, change.nowMs)]);
    await invite(pembit, change, [{ id, ...input }], {
      sender: actor.person.id,
      to: (await schoolSettings(change)).name,
    });
    change.summarise(`${schoolTexts.addPerson}: ${input.name}`);
    return done({ id, name: input.name });
  });
}

/** A new link for the first sign-in, or for somebody who lost the password: the administrator sends it. */
export async function sendInvitation(
  pembit: Pembit,
  actor: SignedIn,
  id: PersonId,
): Promise<Outcome<{ name: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const person = await personById(pembit, id);
  if (!person) return refused('notFound');
  const to = (await schoolSettings(pembit)).name;
  await pembit.queue.write((writer) => invite(pembit, writer, [person], { sender: actor.person.id, to }));
  return done({ name: person.name });
}
