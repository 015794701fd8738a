'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import styles from './School.module.css';

type Props = Readonly<{
  /** Folds the form away under these words until it is wanted. */
  summary?: string;
  action: string;
  onSubmit: () => unknown;
  message?: string;
  disabled: boolean;
  /** A first look changes nothing yet, and looks like it. */
  look?: boolean;
  children: ReactNode;
}>;

/** The frame of every small form: fields, what went wrong as a whole, one act. */
export function FormBox({ summary, action, onSubmit, message, disabled, look = false, children }: Props) {
  const form = (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      {children}
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <div>
        <Button type="submit" variant={look ? 'outlined' : 'contained'} disabled={disabled}>
          {action}
        </Button>
      </div>
    </form>
  );
  if (!summary) return form;
  return (
    <details>
      <summary>{summary}</summary>
      {form}
    </details>
  );
}
