'use client';
import { useState } from 'react';
import { fileTexts } from '@/core/texts/files';
import styles from './Field.module.css';
import type { SentFile } from './sendFile';
import { sendFile } from './sendFile';

/** A file that is uploaded as soon as it is chosen, to be read on the server; it says how much has arrived. */
export function UploadField({
  label,
  as,
  accept,
  error,
  onFile,
}: {
  label: string;
  as: 'package' | 'calendar' | 'schedule';
  accept: string;
  error?: string;
  /** Undefined where it did not arrive. */
  onFile: (file: SentFile | undefined) => void;
}) {
  const [sending, setSending] = useState<Readonly<{ name: string; percent: number }>>();
  const [failure, setFailure] = useState<string>();
  const choose = async (file: File | undefined) => {
    if (!file) return;
    setFailure(undefined);
    setSending({ name: file.name, percent: 0 });
    const onPercent = (percent: number) => setSending({ name: file.name, percent });
    const sent = await sendFile(file, { as, onPercent });
    setSending(undefined);
    setFailure(sent.ok ? undefined : sent.message);
    onFile(sent.ok ? sent.value : undefined);
  };
  return (
    <div>
      <label className={styles.label}>
        {label}{' '}
        <input type="file" accept={accept} onChange={(event) => void choose(event.target.files?.[0])} />
      </label>
      {sending ? (
        <p role="status">{fileTexts.sending({ name: sending.name, percent: sending.percent })}</p>
      ) : null}
      {(failure ?? error) ? <p role="alert">{failure ?? error}</p> : null}
    </div>
  );
}
