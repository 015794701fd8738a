'use client';
import { studentTexts } from '@/core/texts/student';
import { useAct } from '../controls/useSubmit';
import styles from './DayList.module.css';

/** Work that is ticked is done for oneself: out of the way, and for nobody else to see. */
export function DoneTick({ entry, title, done }: { entry: string; title: string; done: boolean }) {
  const { act, busy } = useAct();
  return (
    <label className={styles.done}>
      <input
        type="checkbox"
        checked={done}
        disabled={busy}
        aria-label={studentTexts.isDone({ title })}
        onChange={() =>
          void act('PUT', `/api/entries/${entry}/done`, { done: !done }, () =>
            done ? studentTexts.notDone({ title }) : studentTexts.didIt({ title }),
          )
        }
      />
      {studentTexts.done}
    </label>
  );
}
