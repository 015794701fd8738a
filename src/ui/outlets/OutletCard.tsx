'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { publishTexts as say } from '@/core/texts/publish';
import { CopyField } from '../controls/CopyField';
import { useSubmit } from '../controls/useSubmit';
import { MailAddress } from './MailAddress';
import type { OutletCardView } from './outletCardView';
import styles from './Publish.module.css';

/** What a feed's address holds besides its events, by its ending. */
const OTHER_FORMS = [
  { label: say.work, ending: '/work.ics' },
  { label: say.freeBusy, ending: '.ifb' },
  { label: say.news, ending: '.atom' },
] as const;

/** A feed or an embed: what is in it, who can read it, its address in the forms people need, and how it is read. */
export function OutletCard({ outlet, isNew = false }: { outlet: OutletCardView; isNew?: boolean }) {
  const { submit, busy, message } = useSubmit();
  const [asking, setAsking] = useState<'replace' | undefined>();
  const path = `/api/outlets/${outlet.id}`;
  const replace = async () => {
    const answer = await submit('POST', `${path}/address`, undefined, () => historyTexts.replacedAddress({ name: outlet.name })); // prettier-ignore
    if (answer.ok) setAsking(undefined);
  };
  return (
    <section
      id={outlet.id}
      data-new={isNew || undefined}
      className={`card ${styles.card}`}
      aria-label={`${outlet.kindLabel}: ${outlet.name}`}
    >
      <div className={styles.cardHead}>
        <h2>{outlet.name}</h2>
        <span className={styles.kind}>
          {outlet.kindLabel}
          {outlet.audience ? ` · ${outlet.audience}` : ''}
        </span>
      </div>
      <p>{outlet.holds}</p>
      <p className={outlet.isPublic ? 'notice' : 'soft'}>{outlet.readers}</p>
      {outlet.snippet ? (
        <CopyField label={say.snippet} value={outlet.snippet} action={say.copySnippet} />
      ) : (
        <CopyField label={say.address} value={outlet.url} action={say.copyAddress} />
      )}
      <p className={styles.links}>
        {outlet.kind === 'feed' ? (
          <a href={outlet.webcal}>{say.subscribe}</a>
        ) : (
          <a href={outlet.url} target="_blank" rel="noopener">
            {say.open}
          </a>
        )}
        <MailAddress id={outlet.id} />
        {outlet.standin ? (
          <a href={outlet.standin.href} target="_blank" rel="noopener">
            {outlet.standin.label}
          </a>
        ) : null}
      </p>
      <details>
        <summary>{outlet.kind === 'feed' ? say.how : say.howToPaste}</summary>
        {outlet.kind === 'feed' ? (
          <div className={styles.how}>
            {/* eslint-disable-next-line @next/next/no-img-element -- drawn when asked for, and never again */}
            <img
              className={styles.code}
              src={outlet.code}
              alt={say.code({ name: outlet.name })}
              loading="lazy"
            />
            <div>
              <p>{say.howPhone}</p>
              <p>{say.howDesktop}</p>
            </div>
          </div>
        ) : (
          <>
            <p>{say.howEmbed}</p>
            <CopyField label={say.bare} value={outlet.url} action={say.copyAddress} />
          </>
        )}
      </details>
      {outlet.kind === 'feed' ? (
        <details>
          <summary>{say.otherForms}</summary>
          {OTHER_FORMS.map(({ label, ending }) => (
            <div key={ending}>
              <p>{label}</p>
              <CopyField
                label={label}
                value={outlet.url.replace(/\.ics$/, ending)}
                action={say.copyAddress}
              />
            </div>
          ))}
        </details>
      ) : null}
      <div className={styles.use}>
        <p className="soft">{outlet.read}</p>
        {outlet.days.length > 0 ? (
          <ul className={styles.bars} aria-label={say.readsByDay}>
            {outlet.days.map(({ label, reads }) => (
              <li key={label} title={say.reads({ day: label, n: reads })}>
                <span className="visually-hidden">{say.reads({ day: label, n: reads })}</span>
                <span style={{ height: `${barOf(reads, outlet.days)}%` }} />
              </li>
            ))}
          </ul>
        ) : null}
      </div>
      {message ? <p role="alert">{message}</p> : null}
      {asking === 'replace' ? (
        <div className="notice">
          <p>{say.replaceLead}</p>
          <div className={styles.acts}>
            <Button variant="contained" disabled={busy} onClick={() => void replace()}>
              {say.replaceNow}
            </Button>
            <Button variant="outlined" onClick={() => setAsking(undefined)}>
              {say.keep}
            </Button>
          </div>
        </div>
      ) : (
        <div className={styles.acts}>
          <Button
            variant="outlined"
            component={Link}
            href={outlet.isPersonal ? '/subscribe' : `/publish/${outlet.id}`}
            aria-label={say.changeTitle({ name: outlet.name })}
          >
            {say.change}
          </Button>
          <Button
            variant="outlined"
            aria-label={say.replaceNamed({ name: outlet.name })}
            onClick={() => setAsking('replace')}
          >
            {say.replace}
          </Button>
          {outlet.isPersonal ? null : (
            <Button
              variant="outlined"
              aria-label={say.removeNamed({ name: outlet.name })}
              disabled={busy}
              onClick={() =>
                void submit('DELETE', path, undefined, () =>
                  historyTexts.deletedOutlet({ name: outlet.name }),
                )
              }
            >
              {say.remove}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

const barOf = (reads: number, days: OutletCardView['days']): number =>
  Math.round((100 * reads) / Math.max(1, ...days.map((day) => day.reads)));
