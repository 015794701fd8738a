'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import styles from '../entries/EntryPanel.module.css';

/** For whoever may call something off without planning it: visibly, with a reason. */
export function CallOff({
  what,
  id,
  title,
  who,
}: Readonly<{ what: 'entry' | 'class'; id: string; title: string; who: string }>) {
  const { submit, message, busy } = useSubmit();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const callOff = async () => {
    const [path, body] =
      what === 'entry'
        ? [`/api/entries/${id}/cancel`, { reason }]
        : [`/api/meetings/${id}`, { act: 'cancel', reason }];
    const answer = await submit('PUT', path, body, () => historyTexts.cancelled({ title }));
    if (answer.ok) setAsking(false);
  };
  if (!asking)
    return (
      <div className={styles.buttons}>
        <Button size="small" variant="outlined" onClick={() => setAsking(true)}>
          {panelTexts.cancelIt}
        </Button>
      </div>
    );
  return (
    <div className="notice">
      <Field label={panelTexts.cancelReason} value={reason} onChange={setReason} autoFocus />
      <div className={styles.buttons}>
        <Button size="small" variant="contained" disabled={busy} onClick={() => void callOff()}>
          {panelTexts.cancelNow({ who })}
        </Button>
      </div>
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
    </div>
  );
}
