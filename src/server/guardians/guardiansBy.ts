import type { Guardian } from '@/core/guardians/guardian';
import { guardianByHash } from '@/data/guardians/guardians';
import { tokenHash } from '../outlets/token';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { stateOf } from './issue';

/** The guardians of some addresses that show something, each with the child's name; one that is none is left out. */
export async function guardiansBy(
  pembit: Pembit,
  tokens: readonly string[],
): Promise<readonly Readonly<{ guardian: Guardian; token: string; childName: string }>[]> {
  const found = await Promise.all(
    tokens.map(async (token) => {
      const guardian = await guardianByHash(pembit, tokenHash(token));
      if (!guardian || ['ended', 'suspended'].includes(await stateOf(pembit, guardian))) return [];
      const { person } = await keptPerson(pembit, guardian.child);
      return person ? [{ guardian, token, childName: person.name }] : [];
    }),
  );
  return found.flat();
}
