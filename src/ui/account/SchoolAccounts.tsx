'use client';
import Button from '@mui/material/Button';
import { accountTexts as say } from '@/core/texts/account';
import { useSubmit } from '../controls/useSubmit';
import styles from './Account.module.css';

/** Which account of the school's sign-in opens one's own, and how that is changed. */
export function SchoolAccounts({
  accounts,
}: Readonly<{ accounts: readonly Readonly<{ id: string; issuer: string; since: string }>[] }>) {
  const { submit, message, busy } = useSubmit();
  return (
    <section className={styles.step} aria-labelledby="school-accounts">
      <h2 id="school-accounts">{say.schoolSignIn}</h2>
      {accounts.length === 0 ? <p className="soft">{say.notLinked}</p> : null}
      <ul className={styles.places}>
        {accounts.map(({ id, issuer, since }) => (
          <li key={id}>
            <span>{say.linkedTo({ issuer, since })}</span>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.unlinkFrom({ issuer })}
              onClick={() =>
                void submit('DELETE', `/api/account/school-sign-in/${id}`, undefined, () => say.unlinked)
              }
            >
              {say.unlink}
            </Button>
          </li>
        ))}
      </ul>
      {message ? <p role="alert">{message}</p> : null}
      <Button variant="outlined" href="/api/account/school-sign-in">
        {say.link}
      </Button>
      <p className="soft">{say.linkLead}</p>
    </section>
  );
}
