import type { PersonId } from '@/core/ids';
import type { Reader } from '@/data/reader';
import { personByEmail } from '@/data/people/people';

/** Who is meant by an address; undefined where none is given, null where nobody here has it. */
export async function successorByEmail(reader: Reader, email: string): Promise<PersonId | undefined | null> {
  if (email.trim() === '') return undefined;
  const person = await personByEmail(reader, email);
  return person && !person.deactivated ? person.id : null;
}
