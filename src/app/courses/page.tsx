import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseNames } from '@/core/plan/courseNames';
import { schoolTexts } from '@/core/texts/school';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { CourseLines } from '@/ui/school/CourseLines';
import styles from '@/ui/school/School.module.css';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: schoolTexts.courses };

export default async function CoursesPage() {
  const actor = await signedInOr('/courses');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const plan = await planSeenBy(sharedPembit(), actor.viewer);
  const own = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id));
  const current = own.filter((course) => !course.archived);
  const names = courseNames(plan.courses, plan.terms);
  const terms = plan.terms.filter((term) => current.some((course) => course.term === term.id));
  return (
    <PageFrame actor={actor}>
      <h1>{schoolTexts.courses}</h1>
      {terms.length > 1 ? (
        terms.map((term) => (
          <section key={term.id} className={styles.term} aria-labelledby={term.id}>
            <h2 id={term.id}>{term.name}</h2>
            <CourseLines
              courses={current.filter((course) => course.term === term.id)}
              linked={() => true}
              names={names}
            />
          </section>
        ))
      ) : (
        <CourseLines courses={current} linked={() => true} names={names} />
      )}
      {own.some((course) => course.archived) ? (
        <>
          <h2>{schoolTexts.archived}</h2>
          <CourseLines courses={own.filter((course) => course.archived)} linked={() => true} names={names} />
        </>
      ) : null}
    </PageFrame>
  );
}
