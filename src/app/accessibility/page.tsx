import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { accessTexts as say } from '@/core/texts/access';
import { frameTexts } from '@/core/texts/frame';
import { accessFacts } from '@/server/frame/settings';
import { sharedPembit } from '@/server/pembit';
import styles from './accessibility.module.css';

export const metadata: Metadata = { title: say.title };

/** Read by anybody: what holds for Pembit, what the school adds, and whom one writes to. */
export default async function AccessibilityPage() {
  const { name, contact, statement } = await accessFacts(sharedPembit());
  return (
    <main className={styles.page}>
      <p>
        <Link href="/">{frameTexts.product}</Link>
      </p>
      <h1>{say.title}</h1>
      <p>{say.aim}</p>
      <p>{say.standard}</p>
      <p>{say.limits}</p>
      {statement ? (
        <>
          <h2>{say.school({ name })}</h2>
          <p className={styles.words}>{statement}</p>
        </>
      ) : null}
      <h2>{say.obstacle}</h2>
      <p>{contact ? say.writeTo({ contact }) : say.nobody}</p>
    </main>
  );
}
