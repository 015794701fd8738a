import type { Metadata } from 'next';
import { passwordTexts } from '@/core/texts/passwords';
import { ForgottenForm } from '@/ui/session/ForgottenForm';
import styles from '@/ui/session/SignIn.module.css';

export const metadata: Metadata = { title: passwordTexts.forgotten };

/** Where somebody who has forgotten the password asks for a link. */
export default function ForgottenPage() {
  return (
    <main className={styles.page}>
      <h1>{passwordTexts.forgotten}</h1>
      <p className={styles.lead}>{passwordTexts.ask}</p>
      <ForgottenForm />
    </main>
  );
}
