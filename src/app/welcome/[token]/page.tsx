import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { welcomeTexts } from '@/core/texts/mail';
import { passwordTexts } from '@/core/texts/passwords';
import { invitedBy } from '@/server/people/invitation';
import { sharedPembit } from '@/server/pembit';
import styles from '@/ui/session/SignIn.module.css';
import { WelcomeForm } from '@/ui/session/WelcomeForm';

export const metadata: Metadata = { title: welcomeTexts.title, referrer: 'no-referrer' };

export default async function WelcomePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const person = await invitedBy(sharedPembit(), token);
  return (
    <main className={styles.page}>
      {person ? (
        <>
          <h1>{person.known ? passwordTexts.resetTitle : welcomeTexts.title}</h1>
          <p className={styles.lead}>
            {(person.known ? passwordTexts.resetLead : welcomeTexts.lead)({
              name: person.name,
              email: person.email,
            })}
          </p>
          <WelcomeForm token={token} email={person.email} />
        </>
      ) : (
        <>
          <h1>{welcomeTexts.spentTitle}</h1>
          <p className={styles.lead}>{welcomeTexts.spent}</p>
          <Link href="/sign-in">{welcomeTexts.signIn}</Link>
        </>
      )}
    </main>
  );
}
