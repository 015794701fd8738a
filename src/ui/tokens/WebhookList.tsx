'use client';
import Button from '@mui/material/Button';
import { webhookTexts as say } from '@/core/texts/webhooks';
import { useAct } from '../controls/useSubmit';
import styles from './Tokens.module.css';
import type { WebhookLine } from './webhookLines';

type Told = Readonly<{ host: string; failure?: string }>;

/** Addresses that are told of changes, where each stands, and what can be done: by their owner, or by the office. */
export function WebhookList({ lines, byOffice }: { lines: readonly WebhookLine[]; byOffice: boolean }) {
  const { act, busy } = useAct();
  if (lines.length === 0) return <p className="soft">{say.noneYet}</p>;
  const button = (label: string, name: string, onClick: () => void) => (
    <Button size="small" variant="outlined" disabled={busy} aria-label={name} onClick={onClick}>
      {label}
    </Button>
  );
  return (
    <ul className={styles.list}>
      {lines.map(({ id, host, url, owner, of, state, mark }) => {
        const at = `/api/webhooks/${id}`;
        const put = (path: string, words: (told: Told) => string) =>
          void act<Told>('PUT', `${at}/${path}`, undefined, words);
        const sendTest = () =>
          void act<Told>('POST', `${at}/test`, undefined, (told) => told.failure ?? say.tested({ host: told.host }));
        return (
          <li key={id}>
            <div>
              <b>{url}</b> {byOffice ? <span className="soft">{say.of({ owner })}</span> : null}
              <div>{of}</div>
              <div className={mark === 'fine' ? 'soft' : styles.notFine}>{state}</div>
            </div>
            <div className={styles.buttons}>
              {byOffice && mark === 'waiting'
                ? button(say.agree, say.agreeOf({ host }), () => put('approval', say.agreed))
                : null}
              {!byOffice && mark === 'paused'
                ? button(say.resume, say.resumeOf({ host }), () => put('resumption', say.resumed))
                : null}
              {byOffice ? null : button(say.test, say.testOf({ host }), sendTest)}
              {button(say.end, say.endOf({ host }), () => void act<Told>('DELETE', at, undefined, (told) => say.ended({ host: told.host })))}
            </div>
          </li>
        );
      })}
    </ul>
  );
} // prettier-ignore
