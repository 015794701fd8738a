'use client';
import Button from '@mui/material/Button';
import { frameTexts } from '@/core/texts/frame';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { CopyField } from '../controls/CopyField';
import styles from './School.module.css';
import { useAct } from '../controls/useSubmit';

/** The address at which students put themselves on the roster, where the instructor allows it. */
export function JoiningSection({ course, address }: { course: string; address?: string }) {
  const { act, busy } = useAct();
  const path = `/api/courses/${course}/joining`;
  const open = () => act('POST', path, undefined, () => frameHistoryTexts.opensJoining);
  return (
    <section className={`card ${styles.section}`} aria-labelledby="joining">
      <h2 id="joining">{courseTexts.joining}</h2>
      <p className="soft">{address ? courseTexts.joiningOpen : courseTexts.joiningClosed}</p>
      {address ? (
        <CopyField label={courseTexts.joiningAddress} value={address} action={frameTexts.copy} />
      ) : null}
      <div className={styles.buttons}>
        <Button variant="outlined" disabled={busy} onClick={open}>
          {address ? courseTexts.replaceJoining : courseTexts.openJoining}
        </Button>
        {address ? (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => act('DELETE', path, undefined, () => frameHistoryTexts.closesJoining)}
          >
            {courseTexts.closeJoining}
          </Button>
        ) : null}
      </div>
    </section>
  );
}
