import type { Metadata } from 'next';
import { ltiTexts } from '@/core/texts/lti';
import styles from '@/ui/lti/Lti.module.css';

const say = ltiTexts.over;
export const metadata: Metadata = { title: say.title };

/** In a frame of a course's site, once what its launch has opened is over. */
export default function OverPage() {
  return (
    <main className={styles.page}>
      <h1>{say.title}</h1>
      <p>{say.lead}</p>
    </main>
  );
}
