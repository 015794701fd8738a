import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { frameTexts, signInTexts } from '@/core/texts/frame';
import { DEMO_PASSWORD, SIGN_IN_AS } from '@/server/demo/people';
import { isEmpty } from '@/server/frame/setUp';
import { sharedPembit } from '@/server/pembit';
import { SignInForm } from '@/ui/session/SignInForm';
import styles from '@/ui/session/SignIn.module.css';
import { signedIn } from '../signedIn';

export const metadata: Metadata = { title: signInTexts.title };

/** Only a path of our own may follow a sign-in. */
const safePath = (to: string | undefined): string => (to && /^\/(?![/\\])/.test(to) ? to : '/');

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const to = safePath((await searchParams).to);
  if (await signedIn()) redirect(to);
  if (await isEmpty(sharedPembit())) redirect('/setup');
  const { demo } = sharedPembit().config;
  const people = SIGN_IN_AS.map(({ email, name, role }) => ({ email, name, role }));
  return (
    <main className={styles.page}>
      <p className={styles.brand}>{frameTexts.product}</p>
      <p className={styles.lead}>{signInTexts.lead}</p>
      <h1 className="visually-hidden">{signInTexts.title}</h1>
      <div className={styles.columns}>
        <SignInForm to={to} demo={demo ? { people, password: DEMO_PASSWORD } : undefined} />
      </div>
    </main>
  );
}
