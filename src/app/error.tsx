'use client';
import { Link } from '@/ui/controls/Link';
import { frameTexts } from '@/core/texts/frame';
import styles from './error.module.css';

/** In the place of a page that could not be drawn: what happened, and what to do. Every page brings it along: no component. */
export default function PageError({ reset }: { reset: () => void }) {
  return (
    <main className={styles.page}>
      <h1>{frameTexts.brokenTitle}</h1>
      <p className={styles.lead}>{frameTexts.brokenLead}</p>
      <p className={styles.acts}>
        <button type="button" onClick={reset}>
          {frameTexts.again}
        </button>
        <Link href="/">{frameTexts.product}</Link>
      </p>
    </main>
  );
}
