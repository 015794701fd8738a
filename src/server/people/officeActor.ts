import { officeOf } from '@/data/people/administrators';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { keptPerson } from './keptPeople';

/** Whoever has administered the school for longest: in their name what comes round by itself is done. */
export async function officeActor(pembit: Pembit): Promise<SignedIn | undefined> {
  const first = await officeOf(pembit);
  if (!first) return undefined;
  const { person, viewer } = await keptPerson(pembit, first);
  return person && { person, viewer, session: '' };
}
