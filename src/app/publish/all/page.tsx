import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { sharedOutwards } from '@/core/outlets/sharedOutwards';
import { sharedTexts } from '@/core/texts/shared';
import { outletsFor } from '@/server/outlets/publish';
import { joiningAddress } from '@/server/people/joining';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import styles from '@/ui/outlets/Publish.module.css';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { termOnPage } from '../../termOnPage';

export const metadata: Metadata = { title: sharedTexts.title };

/** Every way from outside into the courses of the term that is looked at, course by course. */
export default async function SharedPage() {
  const actor = await signedInOr('/publish/all');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const [plan, outlets] = await Promise.all([planSeenBy(pembit, actor.viewer), outletsFor(pembit, actor)]);
  const { beside } = await termOnPage(plan);
  const taught = plan.courses.filter(
    (course) => beside.has(course.term) && isStaffOf(actor.viewer, course.id),
  );
  const courses = await Promise.all(
    taught.map(async (course) => {
      const joining = (await joiningAddress(pembit, course.id)) !== undefined;
      return { course, lines: sharedOutwards(course.id, { plan, outlets, joining }) };
    }),
  );
  return (
    <PageFrame actor={actor}>
      <h1>{sharedTexts.title}</h1>
      <p className="soft">{sharedTexts.lead}</p>
      {courses.map(({ course, lines }) => (
        <section key={course.id} className={styles.shared} aria-labelledby={`shared-${course.id}`}>
          <h2 id={`shared-${course.id}`}>
            <span className="tag" data-course={course.color}>
              {course.tag}
            </span>{' '}
            {course.code} {course.title}
          </h2>
          {lines.length === 0 ? <p className="soft">{sharedTexts.nothing}</p> : null}
          <ul>
            {lines.map(({ key, what, who, href }) => (
              <li key={key}>
                <Link href={href}>{what}</Link>
                <p className="soft">{who}</p>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </PageFrame>
  );
}
