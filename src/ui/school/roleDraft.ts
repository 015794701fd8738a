import type { StaffRole } from '@/core/may/role';

/** Somebody's place on a staff, as it is typed; days as `2026-10-15`, or nothing. */
export type RoleDraft = Readonly<{
  role: StaffRole;
  sections: readonly string[];
  from: string;
  until: string;
}>;
