'use client';
import { useRouter } from 'next/navigation';
import type { DragEvent } from 'react';
import { useRef, useState } from 'react';
import { ACCEPTED_ENDINGS, LARGEST_FILE, isRecording } from '@/core/materials/fileTypes';
import { fileTexts as say } from '@/core/texts/files';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { Progress } from '../controls/Progress';
import { sendFile } from '../controls/sendFile';
import styles from './Materials.module.css';

/** Files dragged in or chosen, each of which becomes a material at the end of the outline. */
export function UploadFiles({ course }: { course: string }) {
  const router = useRouter();
  const tell = useMessages();
  const stopping = useRef<AbortController>(undefined);
  const [sending, setSending] = useState<Readonly<{ name: string; percent: number; share: number }>>();
  const [failures, setFailures] = useState<readonly string[]>([]);
  const [over, setOver] = useState(false);

  const send = async (files: readonly File[]) => {
    const controller = new AbortController();
    stopping.current = controller;
    const failed: string[] = [];
    let sent = 0;
    let history: string | undefined;
    for (const [i, file] of files.entries()) {
      if (controller.signal.aborted) break;
      const onPercent = (percent: number) =>
        setSending({ name: file.name, percent, share: (i + percent / 100) / files.length });
      onPercent(0);
      const answer = await sendFile(file, { onPercent, signal: controller.signal });
      if (!answer.ok) {
        failed.push(say.failed({ name: file.name, why: answer.message }));
        continue;
      }
      const { id, name, mediaType } = answer.value;
      const kind = isRecording(mediaType) ? 'recording' : 'webContent';
      const title = name.replace(/\.[a-z0-9]{1,8}$/i, '');
      const added = await callApi('POST', `/api/courses/${course}/materials`, { kind, title, file: id });
      if (added.ok) {
        sent += 1;
        history = added.history;
      } else failed.push(say.failed({ name: file.name, why: added.message }));
    }
    setSending(undefined);
    setFailures(failed);
    if (sent > 0) {
      tell(say.sent({ count: sent }), sent === 1 ? history : undefined);
      router.refresh();
    }
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void send([...event.dataTransfer.files]);
  };
  return (
    <div
      className={styles.upload}
      data-over={over}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      {sending ? (
        <Progress
          words={say.sending({ name: sending.name, percent: sending.percent })}
          share={sending.share}
          onStop={() => stopping.current?.abort()}
        />
      ) : (
        <label>
          <b>{say.add}</b> <span className="soft">{say.drop}</span>
          <input
            type="file"
            multiple
            accept={ACCEPTED_ENDINGS.join(',')}
            onChange={(event) => {
              const files = [...(event.target.files ?? [])];
              event.target.value = '';
              void send(files);
            }}
          />
          <span className="soft">{say.limit(LARGEST_FILE)}</span>
        </label>
      )}
      {failures.map((failure) => (
        <p key={failure} role="alert">
          {failure}
        </p>
      ))}
    </div>
  );
}
