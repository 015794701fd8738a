import type { Viewer } from '../entries/viewer';
import type { CourseId, PersonId, SectionId } from '../ids';

/**
 * How somebody is on a course's staff. A co-instructor does all but change the staff or delete the course; an assistant
 * holds office hours and answers; a substitute teaches from one day to another.
 */
export const STAFF_ROLES = ['instructor', 'co', 'assistant', 'substitute'] as const;
export type StaffRole = (typeof STAFF_ROLES)[number];

/** What somebody is to a course. */
export type Role = StaffRole | 'student';

/** Whoever wants to act. */
export type Actor = Readonly<{
  person: Readonly<{ id: PersonId; isAdmin: boolean }>;
  viewer: Extract<Viewer, { kind: 'person' }>;
}>;

/** A course that an act is about; `sections` where it is about some of them alone. */
export type Part = Readonly<{ course: CourseId; sections?: readonly SectionId[] }>;

/**
 * What somebody is to a course, as it was read for this moment: at most one role as staff, and student. Whoever helps in some
 * sections has no role where the act is about others, or about the whole course.
 */
export function rolesIn({ viewer }: Actor, { course, sections }: Part): readonly Role[] {
  const roles: Role[] = [];
  const help = viewer.helps.get(course);
  if (viewer.instructs.has(course)) roles.push('instructor');
  else if (viewer.staffOf.has(course)) roles.push('co');
  else if (help && (!help.sections || sections?.every((section) => help.sections!.has(section))))
    roles.push(help.role);
  if (viewer.memberOf.has(course)) roles.push('student');
  return roles;
}
