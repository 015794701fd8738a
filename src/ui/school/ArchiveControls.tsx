'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

type Contents = Parameters<typeof courseTexts.contents>[0];

/** Archiving a course, bringing it back, and, once archived, deleting it after saying what is lost. */
export function ArchiveControls({
  course,
  afterDeleting,
}: {
  course: Readonly<{ id: string; code: string; archived: boolean }>;
  /** Where to go when the page of the course is gone. */
  afterDeleting?: string;
}) {
  const { submit, message, busy } = useSubmit();
  const [contents, setContents] = useState<Contents>();
  const { id, code, archived } = course;
  const archive = () =>
    submit('PUT', `/api/courses/${id}/archive`, { archived: !archived }, () =>
      archived ? frameHistoryTexts.restored(code) : frameHistoryTexts.archived(code),
    );
  const look = async () => {
    const answer = await submit<Contents>('GET', `/api/courses/${id}/contents`, undefined);
    if (answer.ok) setContents(answer.value);
  };
  const remove = async () => {
    const answer = await submit('DELETE', `/api/courses/${id}`, undefined, () =>
      frameHistoryTexts.deletedCourse(code),
    );
    if (answer.ok && afterDeleting) window.location.replace(afterDeleting);
  };
  return (
    <div className={styles.section}>
      <div className={styles.buttons}>
        <Button size="small" variant="outlined" disabled={busy} onClick={archive}>
          {archived ? courseTexts.restoreCourse : courseTexts.archive}
        </Button>
        {archived && !contents ? (
          <Button size="small" variant="outlined" disabled={busy} onClick={look}>
            {courseTexts.deleteCourse}
          </Button>
        ) : null}
      </div>
      {contents ? (
        <div className="notice">
          <p>{courseTexts.deleteWarning(courseTexts.contents(contents))}</p>
          <div className={styles.buttons}>
            <Button size="small" variant="contained" color="error" disabled={busy} onClick={remove}>
              {courseTexts.deleteNow(code)}
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
    </div>
  );
}
