'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { signupTexts } from '@/core/texts/signup';
import { timeLabel } from '@/core/time/dateLabels';
import { readRange } from '@/core/time/typedTime';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { useSubmit } from '../controls/useSubmit';
import styles from './RunSheet.module.css';

const { run: say } = signupTexts;

/** A single time beside those of the stretches. */
export function AddTime({ sheet, today }: { sheet: string; today: string }) {
  const { submit, errors, message, busy } = useSubmit();
  const [day, setDay] = useState(today);
  const [hours, setHours] = useState('');
  const [tried, setTried] = useState(false);
  const range = readRange(hours);
  const add = async () => {
    setTried(true);
    if (range.kind !== 'range' || !day) return;
    const body = {
      start: `${day}T${timeLabel(range.start)}`,
      end: `${day}T${timeLabel(range.end)}`,
      seats: 1,
    };
    const answer = await submit<{ when: string }>('POST', `/api/sheets/${sheet}/slots`, body, ({ when }) =>
      say.added({ when }),
    );
    if (answer.ok) setHours('');
  };
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <div className={styles.pair}>
        <DayField label={say.addDay} value={day} onChange={setDay} />
        <Field
          label={say.hours}
          hint={say.hoursHint}
          value={hours}
          onChange={setHours}
          error={errors.start ?? errors.end ?? (tried && range.kind !== 'range' ? say.hoursHint : undefined)}
        />
      </div>
      {message ? <p role="alert">{message}</p> : null}
      <div>
        <Button type="submit" variant="outlined" size="small" disabled={busy}>
          {say.add}
        </Button>
      </div>
    </form>
  );
}
