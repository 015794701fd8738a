'use client';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { termTexts } from '@/core/texts/term';
import { trustTexts } from '@/core/texts/trust';
import { callApi } from '../controls/callApi';
import { useSubmit } from '../controls/useSubmit';
import styles from '../entries/EntryPanel.module.css';
import { TrustList } from '../entries/TrustList';
import type { TrustStep } from '../entries/TrustList';

type Trust = Readonly<{
  lines: readonly TrustStep[];
  pending?: Readonly<{ history: string; seen: number }>;
}>;

/** How an entry or a class came to be as it is, whom it was told, and the offer to tell whoever was not. */
export function TrustLines({ of, id }: Readonly<{ of: 'entries' | 'meetings'; id: string }>) {
  const [trust, setTrust] = useState<Trust>();
  const { submit, message, busy } = useSubmit();
  const [version, setVersion] = useState(0);
  useEffect(() => {
    let current = true;
    void callApi<Trust>('GET', `/api/${of}/${id}/trust`).then((answer) => {
      if (current && answer.ok) setTrust(answer.value);
    });
    return () => {
      current = false;
    };
  }, [of, id, version]);
  if (!trust) return null;
  const { pending } = trust;
  const answerOffer = async (method: 'POST' | 'DELETE') => {
    const answer = await submit<{ told: number; gathered: number }>(
      method,
      `/api/history/${pending!.history}/tell`,
      undefined,
      (answer) => (method === 'POST' ? termTexts.told(answer) : trustTexts.waved_),
    );
    // The offer is gone at once; how it came about is read anew.
    if (answer.ok) setTrust((known) => known && { ...known, pending: undefined });
    setVersion((last) => last + 1);
  };
  return (
    <>
      {pending ? (
        <div className={`notice ${styles.came}`}>
          <p>{trustTexts.pending({ n: pending.seen })}</p>
          <div className={styles.buttons}>
            <Button size="small" variant="contained" disabled={busy} onClick={() => void answerOffer('POST')}>
              {termTexts.tell({ n: pending.seen })}
            </Button>
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              onClick={() => void answerOffer('DELETE')}
            >
              {trustTexts.wave}
            </Button>
          </div>
          {message ? <p role="alert">{message}</p> : null}
        </div>
      ) : null}
      <TrustList lines={trust.lines} heading="h3" />
    </>
  );
}
