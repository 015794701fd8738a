'use client';
import Button from '@mui/material/Button';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { useSubmit } from '../controls/useSubmit';
import { DeleteAfterWarning } from './DeleteAfterWarning';
import styles from './School.module.css';

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
  const { id, code, archived } = course;
  const archive = () =>
    submit('PUT', `/api/courses/${id}/archive`, { archived: !archived }, () =>
      archived ? frameHistoryTexts.restored({ code }) : frameHistoryTexts.archived({ code }),
    );
  const act = (
    <Button size="small" variant="outlined" disabled={busy} onClick={archive}>
      {archived ? courseTexts.restoreCourse : courseTexts.archive}
    </Button>
  );
  return (
    <div className={styles.section}>
      {archived ? (
        <DeleteAfterWarning
          path={`/api/courses/${id}`}
          label={courseTexts.deleteCourse}
          now={courseTexts.deleteNow({ code })}
          words={courseTexts.contents}
          deleted={frameHistoryTexts.deletedCourse({ code })}
          onDeleted={() => {
            if (afterDeleting) window.location.replace(afterDeleting);
          }}
        >
          {act}
        </DeleteAfterWarning>
      ) : (
        <div className={styles.buttons}>{act}</div>
      )}
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
    </div>
  );
}
