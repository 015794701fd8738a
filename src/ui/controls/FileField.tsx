'use client';
import { useState } from 'react';
import { frameTexts } from '@/core/texts/frame';
import styles from './Field.module.css';

/** A text file whose content goes into a field; one that is not UTF-8 is refused with a sentence. */
export function FileField({ label, onText }: { label: string; onText: (text: string) => void }) {
  const [unread, setUnread] = useState(false);
  const read = async (file: File | undefined) => {
    if (!file) return;
    try {
      onText(new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer()));
      setUnread(false);
    } catch {
      setUnread(true);
    }
  };
  return (
    <div>
      <label className={styles.label}>
        {label}{' '}
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onChange={(event) => void read(event.target.files?.[0])}
        />
      </label>
      {unread ? <p role="alert">{frameTexts.fileUnread}</p> : null}
    </div>
  );
}
