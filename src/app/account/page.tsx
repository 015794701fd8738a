import type { Metadata } from 'next';
import { accountTexts } from '@/core/texts/frame';
import { SignOut } from '@/ui/session/SignOut';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import styles from './account.module.css';

export const metadata: Metadata = { title: accountTexts.title };

export default async function AccountPage() {
  const actor = await signedInOr('/account');
  const { person } = actor;
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <h1>{accountTexts.title}</h1>
        <p>
          {accountTexts.signedInAs} <b>{person.name}</b>, {person.email}
        </p>
        {person.isAdmin ? <p>{accountTexts.administrator}</p> : null}
        <SignOut />
      </div>
    </PageFrame>
  );
}
