import type { Metadata } from 'next';
import { joinTexts } from '@/core/texts/school';
import { joinable } from '@/server/people/joining';
import { sharedPembit } from '@/server/pembit';
import { JoinForm } from '@/ui/session/JoinForm';
import styles from '@/ui/session/SignIn.module.css';
import { signedIn } from '../../signedIn';

export const metadata: Metadata = { title: joinTexts.join, referrer: 'no-referrer' };

/** Where students put themselves on the roster of a course that is open for joining. */
export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const [course, actor] = await Promise.all([joinable(sharedPembit(), token), signedIn()]);
  return (
    <main className={styles.page}>
      {course ? (
        <>
          <h1>{joinTexts.title({ course: `${course.code} ${course.title}` })}</h1>
          <p className={styles.lead}>{joinTexts.lead}</p>
          <JoinForm token={token} sections={course.sections} name={actor?.person.name} />
        </>
      ) : (
        <>
          <h1>{joinTexts.closedTitle}</h1>
          <p className={styles.lead}>{joinTexts.closed}</p>
        </>
      )}
    </main>
  );
}
