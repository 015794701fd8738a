'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { courseTexts } from '@/core/texts/school';
import { useSubmit } from '../controls/useSubmit';
import styles from './School.module.css';

/** Deletes something once it was said what goes with it: `path` is deleted, `path/contents` says in numbers what it holds. */
export function DeleteAfterWarning<T>({
  path,
  label,
  now,
  words,
  deleted,
  onDeleted,
  children,
}: {
  path: string;
  label: string;
  /** What the button says that does it. */
  now: string;
  words: (contents: T) => string;
  deleted: string;
  onDeleted?: () => void;
  /** What else can be done, beside it. */
  children?: ReactNode;
}) {
  const { submit, message, busy } = useSubmit();
  const [contents, setContents] = useState<T>();
  const look = async () => {
    const answer = await submit<T>('GET', `${path}/contents`, undefined);
    if (answer.ok) setContents(answer.value);
  };
  const remove = async () => {
    const answer = await submit('DELETE', path, undefined, () => deleted);
    if (answer.ok) onDeleted?.();
  };
  return (
    <>
      <div className={styles.buttons}>
        {children}
        {contents ? null : (
          <Button size="small" variant="outlined" disabled={busy} onClick={look}>
            {label}
          </Button>
        )}
      </div>
      {contents ? (
        <div className="notice">
          <p>{courseTexts.deleteWarning({ what: words(contents) })}</p>
          <div className={styles.buttons}>
            <Button size="small" variant="contained" color="error" disabled={busy} onClick={remove}>
              {now}
            </Button>
            <Button size="small" variant="outlined" onClick={() => setContents(undefined)}>
              {courseTexts.keep}
            </Button>
          </div>
        </div>
      ) : null}
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
    </>
  );
}
