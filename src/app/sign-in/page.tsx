import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { Link } from '@/ui/controls/Link';
import { accessTexts } from '@/core/texts/access';
import { signInTexts } from '@/core/texts/account';
import { frameTexts } from '@/core/texts/frame';
import { refusalTexts } from '@/core/texts/refusals';
import { DEMO_PASSWORD, SIGN_IN_AS } from '@/server/demo/people';
import { isEmpty } from '@/server/frame/isEmpty';
import { schoolNotice } from '@/server/frame/settings';
import { sharedPembit } from '@/server/pembit';
import { SignInForm } from '@/ui/session/SignInForm';
import styles from '@/ui/session/SignIn.module.css';
import { safePath } from '@/server/safePath';
import { signedIn } from '../signedIn';

export const metadata: Metadata = { title: signInTexts.title };

/** What the school's sign-in may have answered. */
const REFUSED = { noSchoolSignIn: refusalTexts.noSchoolSignIn, notVouchedFor: refusalTexts.notVouchedFor };

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<{ to?: string; refused?: string }>;
}) {
  const asked = await searchParams;
  const to = safePath(asked.to);
  const refused = REFUSED[asked.refused as keyof typeof REFUSED];
  const actor = await signedIn();
  // What a course's site has opened is no sign-in of one's own.
  if (actor && !actor.site) redirect(to);
  if (await isEmpty(sharedPembit())) redirect('/setup');
  const notice = await schoolNotice(sharedPembit());
  const { demo, schoolSignIn } = sharedPembit().config;
  const people = SIGN_IN_AS.map(({ email, name, role }) => ({ email, name, role }));
  return (
    <main className={styles.page}>
      <p className={styles.brand}>{frameTexts.product}</p>
      <p className={styles.lead}>{signInTexts.lead}</p>
      {notice ? (
        <p className="notice" role="status">
          {notice}
        </p>
      ) : null}
      <h1 className="visually-hidden">{signInTexts.title}</h1>
      <div className={styles.columns}>
        <SignInForm
          to={to}
          refused={refused}
          school={schoolSignIn !== undefined}
          demo={demo ? { people, password: DEMO_PASSWORD } : undefined}
        />
      </div>
      <p className="soft">
        <Link className="lone" href="/accessibility">
          {accessTexts.title}
        </Link>
      </p>
    </main>
  );
}
