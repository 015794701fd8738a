import { createHash, createHmac, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { noteInOffice } from '@/data/people/officeLog';
import { personByEmail, personRow } from '@/data/people/people';
import type { Pembit } from '../pembit';

/** What the operator's command says: who is to administer the school, whatever has locked them out. */
export const letInCommand = z.object({
  email: z.email().max(254).toLowerCase(),
  name: z.string().max(100).default(''),
  /** Until when it may be carried out, in epoch milliseconds. */
  until: z.number().int(),
});
export type LetInCommand = z.output<typeof letInCommand>;

/** Proves that a command comes from whoever can read the server's secret. */
export const letInProof = (secret: Buffer, { email, name, until }: LetInCommand): string =>
  createHmac('sha256', secret)
    .update(`let in ${JSON.stringify([email, name, until])}`)
    .digest('base64url');

export function isProven(secret: Buffer, command: LetInCommand, proof: string): boolean {
  const [expected, given] = [Buffer.from(letInProof(secret, command)), Buffer.from(proof)];
  return command.until > Date.now() && expected.length === given.length && timingSafeEqual(expected, given);
}

const HOLDS_MS = 60 * 60_000;
const idOf = (token: string) => createHash('sha256').update(token).digest('hex');

async function makeAdministrator(change: Change, { email, name }: LetInCommand): Promise<PersonId> {
  const known = await personByEmail(change, email);
  if (known) {
    await change.update('people', known.id, { is_admin: 1, deactivated_at: null });
    return known.id;
  }
  const id = randomUUID() as PersonId;
  await change.insert('people', [personRow({ id, email, name: name || email, isAdmin: true }, change.nowMs)]);
  return id;
}

/**
 * Lets somebody in as administrator: the account is made or made one, activated, its second step taken away, and a link for a new
 * password is the answer. It goes to whoever runs the command, not by mail: mail may be what does not work.
 */
export async function letIn(pembit: Pembit, command: LetInCommand): Promise<Readonly<{ link: string }>> {
  const nowMs = pembit.now().epochMilliseconds;
  const token = randomBytes(32).toString('base64url');
  const act = { act: 'tidy', summary: '', actor: null, nowMs };
  await recordChange(pembit.queue, act, async (change) => {
    const id = await makeAdministrator(change, command);
    const run = (sql: string) =>
      change.sequelize.query(sql, {
        replacements: { id, link: idOf(token), until: nowMs + HOLDS_MS },
        transaction: change.transaction,
      });
    await run('DELETE FROM second_steps WHERE person_id = :id');
    await run('INSERT INTO invitations (id, person_id, expires_at) VALUES (:link, :id, :until)');
    await noteInOffice(change, { act: 'administrator', actor: null, person: id, detail: 'terminal' });
    change.concerns(`person:${id}`);
  });
  return { link: `${pembit.config.baseUrl}/welcome/${token}` };
}
