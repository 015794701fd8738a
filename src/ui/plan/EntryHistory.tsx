'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { panelTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import { useSubmit } from '../controls/useSubmit';
import styles from '../entries/EntryPanel.module.css';

type Line = Readonly<{ id: string; when: string; summary: string; by: string; undone: boolean }>;

/** What was done to an entry; fetched when it is opened. Each act can be undone while nothing later rests on it. */
export function EntryHistory({ entry }: { entry: string }) {
  const { submit, message, busy } = useSubmit();
  const [lines, setLines] = useState<readonly Line[]>();
  const load = async () => {
    const answer = await callApi<Line[]>('GET', `/api/entries/${entry}/history`);
    if (answer.ok) setLines(answer.value);
  };
  const undo = async (line: Line) => {
    await submit('POST', `/api/history/${line.id}/undo`, undefined, () => frameTexts.undone);
    await load();
  };
  return (
    <details onToggle={(event) => event.currentTarget.open && void load()}>
      <summary>{panelTexts.history}</summary>
      {message ? <p role="alert">{message}</p> : null}
      <ol className={styles.history}>
        {lines?.map((line) => (
          <li key={line.id}>
            <span>
              <span className={line.undone ? styles.off : undefined}>{line.summary}</span>
              <br />
              <span className="soft">
                {line.when}
                {line.by ? ` · ${line.by}` : ''}
              </span>
            </span>
            {line.undone ? null : (
              <Button size="small" disabled={busy} onClick={() => undo(line)}>
                {frameTexts.undo}
              </Button>
            )}
          </li>
        ))}
      </ol>
    </details>
  );
}
