'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { questionTexts as say } from '@/core/texts/questions';
import styles from './Questions.module.css';

type Props = Readonly<{
  action: string;
  busy: boolean;
  /** What is wrong with it as a whole. */
  error?: string;
  onSend: () => unknown;
  onBack: () => void;
  children: ReactNode;
}>;

/** The frame of what is written under an entry or a class: fields, what is wrong, one act, and the way back. */
export function QuestionForm({ action, busy, error, onSend, onBack, children }: Props) {
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSend();
      }}
    >
      {children}
      <p role="alert" className={styles.error}>
        {error}
      </p>
      <div className={styles.acts}>
        <Button type="submit" variant="contained" disabled={busy}>
          {action}
        </Button>
        <Button variant="outlined" onClick={onBack}>
          {say.cancel}
        </Button>
      </div>
    </form>
  );
}
