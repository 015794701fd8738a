import type { Guardian } from '@/core/guardians/guardian';
import { guardianContents } from '@/core/guardians/guardianContents';
import { keptPerson } from '../people/keptPeople';
import { keptPlan } from '../plan/keptPlan';
import type { Pembit } from '../pembit';

/** What a guardian's address shows now, with the child's name; nothing where the account is gone. */
export async function readByGuardian(
  pembit: Pembit,
  guardian: Guardian,
): Promise<(ReturnType<typeof guardianContents> & Readonly<{ childName: string }>) | undefined> {
  const { person, viewer } = await keptPerson(pembit, guardian.child);
  if (!person || person.deactivated) return undefined;
  const plan = await keptPlan(pembit, [...viewer.memberOf.keys()]);
  const shown = guardianContents(guardian, viewer, { name: person.name, plan, now: pembit.now() });
  return { ...shown, childName: person.name };
}
