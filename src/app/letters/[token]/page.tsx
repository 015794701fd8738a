import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { endLettersTexts } from '@/core/texts/student';
import { readUnsubscribe } from '@/server/mail/unsubscribe';
import { sharedPembit } from '@/server/pembit';
import { EndLetters } from '@/ui/account/EndLetters';
import styles from '@/ui/session/SignIn.module.css';

export const metadata: Metadata = { title: endLettersTexts.title, referrer: 'no-referrer' };

/** Where a letter's reader ends letters like it, without signing in. */
export default async function EndLettersPage({ params }: Readonly<{ params: Promise<{ token: string }> }>) {
  const { token } = await params;
  const read = readUnsubscribe(sharedPembit(), token);
  if (!read) notFound();
  return (
    <main className={styles.page}>
      <h1>{endLettersTexts.title}</h1>
      <p className={styles.lead}>{endLettersTexts.sort[read.sort]}</p>
      <EndLetters token={token} />
    </main>
  );
}
