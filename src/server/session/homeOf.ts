import type { SignedIn } from './session';

/** The page a person starts from. */
export function homeOf({ viewer, person }: SignedIn): string {
  if (viewer.staffOf.size > 0) return '/term';
  if (viewer.memberOf.size > 0 || !person.isAdmin) return '/next';
  return '/school';
}
