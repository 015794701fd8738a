import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { insertInvitations } from '@/data/people/invitations';
import { noteInOffice } from '@/data/people/officeLog';
import { personByEmail, personRow } from '@/data/people/people';
import { deleteSecondSteps } from '@/data/people/secondSteps';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';

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
  proofOf(secret, 'let in', [email, name, until]);

export const mayLetIn = (secret: Buffer, { email, name, until }: LetInCommand, proof: string): boolean =>
  until > Date.now() && isProven(secret, 'let in', [email, name, until], proof);

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
  const act = { act: 'letIn', summary: '', actor: null, nowMs };
  await recordChange(pembit.queue, act, async (change) => {
    const id = await makeAdministrator(change, command);
    await deleteSecondSteps(change, id);
    await insertInvitations(change, [{ id: idOf(token), person: id, expiresAtMs: nowMs + HOLDS_MS }]);
    await noteInOffice(change, { act: 'administrator', actor: null, person: id, detail: 'terminal' });
    change.concerns(`person:${id}`);
  });
  return { link: `${pembit.config.baseUrl}/welcome/${token}` };
}
