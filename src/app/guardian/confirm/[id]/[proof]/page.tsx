import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { guardianTexts as say } from '@/core/texts/guardians';
import { confirmedBy } from '@/server/guardians/weeksByLetter';
import { sharedPembit } from '@/server/pembit';
import { ConfirmWeeks } from '@/ui/guardians/ConfirmWeeks';
import styles from '@/ui/session/SignIn.module.css';

export const metadata: Metadata = { title: say.confirmTitle, referrer: 'no-referrer' };

/** Where a mailbox says that it wants the weeks that somebody asked for. */
export default async function ConfirmPage({ params }: Readonly<{ params: Promise<{ id: string; proof: string }> }>) {
  const { id, proof } = await params;
  const guardian = await confirmedBy(sharedPembit(), id, proof);
  if (!guardian) notFound();
  return (
    <main className={styles.page}>
      <h1>{say.confirmTitle}</h1>
      <p className={styles.lead}>{say.confirmLead({ email: guardian.email })}</p>
      <ConfirmWeeks path={`/api/guardian-letters/confirm/${id}/${proof}`} />
    </main>
  );
} // prettier-ignore
