import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refusedBecause } from '@/core/refusals';
import { staffTexts } from '@/core/texts/staff';
import { refTo } from '@/data/history/personRefs';
import { coursesOnStaff, soleInstructorOf } from '@/data/people/staff';
import { leaveStaff } from '../frame/courseStaff';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/**
 * Takes somebody off every staff, as one act. Courses that nobody else instructs need a successor: none is ever without an
 * instructor.
 */
export function leaveAllStaffs(
  pembit: Pembit,
  actor: SignedIn,
  { person, successor }: Readonly<{ person: PersonId; successor?: PersonId }>,
): Promise<Outcome<{ courses: number }>> {
  return perform(pembit, actor, 'changeStaff', async (change) => {
    const sole = await soleInstructorOf(change, person);
    if (sole.length > 0 && !successor)
      return refusedBecause('needsSuccessor', staffTexts.soleInstructorOf(sole.map(({ code }) => code)));
    const courses = await coursesOnStaff(change, person);
    const needs = new Set(sole.map(({ id }) => id));
    for (const course of courses) {
      const left = await leaveStaff(change, actor, { course, person, successor: needs.has(course) ? successor : undefined }); // prettier-ignore
      if (!left.ok) return left;
    }
    change.summarise(staffTexts.removed(refTo(person)));
    return done({ courses: courses.length });
  });
}
