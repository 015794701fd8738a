'use client';
import Button from '@mui/material/Button';
import { ltiTexts } from '@/core/texts/lti';
import { useAct } from '../controls/useSubmit';
import styles from './Account.module.css';

const say = ltiTexts.account;

/** The course sites that open one's own account, and how that is ended. */
export function SiteAccounts({ sites }: Readonly<{ sites: readonly Readonly<{ id: string; issuer: string; since: string }>[] }>) {
  const { act, busy } = useAct();
  return (
    <section className={styles.step} aria-labelledby="site-accounts">
      <h2 id="site-accounts">{say.heading}</h2>
      <p className="soft">{say.lead}</p>
      <ul className={styles.places}>
        {sites.map(({ id, issuer, since }) => (
          <li key={id}>
            <span>{say.line({ site: issuer, since })}</span>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.endOf({ site: issuer })}
              onClick={() => void act('DELETE', `/api/account/course-sites/${id}`, undefined, () => say.ended)}
            >
              {say.end}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
} // prettier-ignore
