import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { schoolTexts } from '@/core/texts/school';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { CourseLines } from '@/ui/school/CourseLines';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: schoolTexts.courses };

export default async function CoursesPage() {
  const actor = await signedInOr('/courses');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const plan = await planSeenBy(sharedPembit(), actor.viewer);
  const own = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id));
  return (
    <PageFrame actor={actor}>
      <h1>{schoolTexts.courses}</h1>
      <CourseLines courses={own.filter((course) => !course.archived)} linked={() => true} />
      {own.some((course) => course.archived) ? (
        <>
          <h2>{schoolTexts.archived}</h2>
          <CourseLines courses={own.filter((course) => course.archived)} linked={() => true} />
        </>
      ) : null}
    </PageFrame>
  );
}
