'use client';
import Button from '@mui/material/Button';
import { panelTexts } from '@/core/texts/term';
import { useSubmit } from '../controls/useSubmit';
import styles from './EntryPanel.module.css';

const ANSWERS = ['coming', 'notComing', 'notSure'] as const;

/** A student's answer to "who is coming". */
export function ComingButtons({ entry, own }: { entry: string; own: string }) {
  const { submit, message, busy } = useSubmit();
  return (
    <div className={styles.buttons} role="group" aria-label={panelTexts.coming}>
      {ANSWERS.map((answer) => (
        <Button
          key={answer}
          size="small"
          variant={own === answer ? 'contained' : 'outlined'}
          aria-pressed={own === answer}
          disabled={busy}
          onClick={() => submit('PUT', `/api/entries/${entry}/reply`, { answer }, () => panelTexts.replied)}
        >
          {panelTexts.answerButtons[answer]}
        </Button>
      ))}
      {message ? <p role="alert">{message}</p> : null}
    </div>
  );
}
