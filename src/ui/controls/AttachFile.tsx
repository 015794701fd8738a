'use client';
import { useRef, useState } from 'react';
import { ACCEPTED_ENDINGS } from '@/core/materials/fileTypes';
import { fileTexts as say } from '@/core/texts/files';
import { Progress } from './Progress';
import type { SentFile } from './sendFile';
import { sendFile } from './sendFile';
import styles from './Field.module.css';

/** One file that is uploaded at once, for what is being written. */
export function AttachFile({
  label,
  onFile,
  error,
}: {
  label: string;
  onFile: (file: SentFile) => void;
  error?: string;
}) {
  const stopping = useRef<AbortController>(undefined);
  const [sending, setSending] = useState<Readonly<{ name: string; percent: number }>>();
  const [failure, setFailure] = useState<string>();
  const send = async (file: File) => {
    const controller = new AbortController();
    stopping.current = controller;
    setFailure(undefined);
    setSending({ name: file.name, percent: 0 });
    const onPercent = (percent: number) => setSending({ name: file.name, percent });
    const sent = await sendFile(file, { onPercent, signal: controller.signal });
    setSending(undefined);
    if (sent.ok) onFile(sent.value);
    else setFailure(say.failed({ name: file.name, why: sent.message }));
  };
  if (sending)
    return (
      <Progress
        words={say.sending({ name: sending.name, percent: sending.percent })}
        share={sending.percent / 100}
        onStop={() => stopping.current?.abort()}
      />
    );
  return (
    <div>
      <label className={styles.label}>
        {label}{' '}
        <input
          type="file"
          accept={ACCEPTED_ENDINGS.join(',')}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void send(file);
          }}
        />
      </label>
      {(failure ?? error) ? <p role="alert">{failure ?? error}</p> : null}
    </div>
  );
}
