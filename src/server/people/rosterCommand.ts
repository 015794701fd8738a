import { z } from 'zod';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';

/** What the operator's command says: which folder of this machine has the school's lists. */
export const rosterCommand = z.object({
  folder: z.string().min(1).max(4096),
  /** Until when it may be carried out, in epoch milliseconds. */
  until: z.number().int(),
});
export type RosterCommand = z.output<typeof rosterCommand>;

/** Proves that a command comes from whoever can read the server's secret. */
export const rosterProof = (secret: Buffer, { folder, until }: RosterCommand): string =>
  proofOf(secret, 'rosters', [folder, until]);

export const mayReadRosters = (
  { secret }: Pick<Pembit, 'secret'>,
  { folder, until }: RosterCommand,
  proof: string,
): boolean => until > Date.now() && isProven(secret, 'rosters', [folder, until], proof);
