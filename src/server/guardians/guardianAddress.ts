import { createHmac } from 'node:crypto';
import type { Guardian } from '@/core/guardians/guardian';
import { tokenHash } from '../outlets/token';
import type { Pembit } from '../pembit';

/** The secret part of a guardian's address, 256 bits: replaced by raising the generation. */
export const guardianToken = (
  { secret }: Pick<Pembit, 'secret'>,
  { id, generation }: Pick<Guardian, 'id' | 'generation'>,
): string => createHmac('sha256', secret).update(`guardian ${id} ${generation}`).digest('base64url');

export const guardianHash = (
  pembit: Pick<Pembit, 'secret'>,
  guardian: Pick<Guardian, 'id' | 'generation'>,
): string => tokenHash(guardianToken(pembit, guardian));

/** Where a guardian reads: the page, and the feed. */
export function guardianUrls(
  pembit: Pick<Pembit, 'secret' | 'config'>,
  guardian: Pick<Guardian, 'id' | 'generation'>,
) {
  const token = guardianToken(pembit, guardian);
  const { baseUrl } = pembit.config;
  return { page: `${baseUrl}/g/${token}`, feed: `${baseUrl}/feeds/${token}.ics` };
}
