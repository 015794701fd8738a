import type { Metadata } from 'next';
import Button from '@mui/material/Button';
import { ltiTexts } from '@/core/texts/lti';
import { safePath } from '@/server/safePath';
import styles from '@/ui/lti/Lti.module.css';

const say = ltiTexts.nowhere;
export const metadata: Metadata = { title: say.title };

/** What is not shown inside a course's site, with the way to where it is. */
export default async function ElsewherePage({
  searchParams,
}: Readonly<{ searchParams: Promise<{ to?: string }> }>) {
  const { to } = await searchParams;
  return (
    <main className={styles.page}>
      <h1>{say.title}</h1>
      <p>{say.lead}</p>
      <Button
        variant="outlined"
        href={`/sign-in?to=${encodeURIComponent(safePath(to))}`}
        target="_blank"
        rel="noopener"
      >
        {say.open}
      </Button>
    </main>
  );
}
