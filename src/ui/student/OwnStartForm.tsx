'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { pacingTexts as say } from '@/core/texts/pacing';
import { Tick } from '../controls/Ticks';
import { useSubmit } from '../controls/useSubmit';
import { DayField } from '../days/DayField';
import styles from './OwnStart.module.css';

type Props = Readonly<{
  course: string;
  name: string;
  /** The day, if it was said. */
  on: string | undefined;
  shared: boolean;
  /** What to begin with where nothing was said. */
  today: string;
}>;

/** The form in which a student says when they begin one course. */
export function OwnStartForm({ course, name, on, shared, today }: Props) {
  const [day, setDay] = useState(on ?? today);
  const [sharing, setSharing] = useState(shared);
  const { submit, errors, message, busy } = useSubmit();
  const path = `/api/courses/${course}/start`;
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void submit('PUT', path, { on: day, shared: sharing }, () => say.saved({ name }));
      }}
    >
      <DayField label={say.on({ name })} value={day} onChange={setDay} error={errors.on} />
      <Tick label={say.share} checked={sharing} onChange={setSharing} />
      <p className="soft">{say.alone}</p>
      <p role="alert">{message}</p>
      <div className={styles.acts}>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.save}
        </Button>
        {on === undefined ? null : (
          <Button
            disabled={busy}
            onClick={() => void submit('PUT', path, { shared: false }, () => say.tookBack({ name }))}
          >
            {say.takeBack}
          </Button>
        )}
      </div>
    </form>
  );
}
