import { isOnStaff } from '@/core/entries/viewer';
import type { SignedIn } from './session';

/** The page a person starts from. */
export function homeOf({ viewer, person }: SignedIn): string {
  if (isOnStaff(viewer)) return '/today';
  if (viewer.memberOf.size > 0 || !person.isAdmin) return '/next';
  return '/school';
}
