'use client';
import Button from '@mui/material/Button';
import { panelTexts } from '@/core/texts/term';
import { useSubmit } from '../controls/useSubmit';
import styles from './EntryPanel.module.css';

type Props = Readonly<{
  entry: string;
  own: string;
  /** Whether all seats are taken, or kept for those who wait. */
  full: boolean;
  /** How many wait before one, in words; empty for whoever does not wait. */
  wait: string;
}>;

/** A student's answer to "who is coming". Where no seat is left one waits for the next. */
export function ComingButtons({ entry, own, full, wait }: Props) {
  const first = (full && own !== 'coming') || own === 'waiting' ? 'waiting' : 'coming';
  const { submit, message, busy } = useSubmit();
  return (
    <div className={styles.buttons} role="group" aria-label={panelTexts.coming}>
      {([first, 'notComing', 'notSure'] as const).map((answer) => (
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
      {wait ? <p className="soft">{wait}</p> : null}
      {message ? <p role="alert">{message}</p> : null}
    </div>
  );
}
