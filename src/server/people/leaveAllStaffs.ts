import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refusedBecause } from '@/core/refusals';
import { staffTexts } from '@/core/texts/staff';
import type { Change } from '@/data/history/change';
import { coursesOnStaff, soleInstructorOf } from '@/data/people/staff';
import { leaveStaff } from '../frame/courseStaff';
import type { SignedIn } from '../session/session';

/** Takes somebody off every staff. Courses that nobody else instructs need a successor: none is ever without an instructor. */
export async function leaveAllStaffs(
  change: Change,
  actor: SignedIn,
  { person, successor }: Readonly<{ person: PersonId; successor?: PersonId }>,
): Promise<Outcome<{ courses: number }>> {
  const sole = await soleInstructorOf(change, person);
  if (sole.length > 0 && !successor)
    return refusedBecause(
      'needsSuccessor',
      staffTexts.soleInstructorOf({ codes: sole.map(({ code }) => code) }),
    );
  const courses = await coursesOnStaff(change, person);
  const needs = new Set(sole.map(({ id }) => id));
  for (const course of courses) {
    const left = await leaveStaff(change, actor, { course, person, successor: needs.has(course) ? successor : undefined }); // prettier-ignore
    if (!left.ok) return left;
  }
  return done({ courses: courses.length });
}
