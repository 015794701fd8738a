'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { everythingTexts as say } from '@/core/texts/everything';
import { historyTexts } from '@/core/texts/history';
import { panelTexts } from '@/core/texts/term';
import { timeLabel } from '@/core/time/dateLabels';
import { clockText } from '@/core/time/zonedWall';
import { readTime } from '@/core/time/typedTime';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { useSubmit } from '../controls/useSubmit';
import { TimeField } from '../entries/TimeField';
import styles from './Everything.module.css';
import type { EditableLine } from './everythingView';

/** Title, day and time, changed where they stand; Enter saves, Escape leaves them as they were. */
export function LineEditor({
  entry,
  line,
  onDone,
}: {
  entry: string;
  line: EditableLine;
  onDone: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState(line);
  const set = (changes: Partial<EditableLine>) => setValue({ ...value, ...changes });
  const typed = value.time.trim();
  const read = typed === '' ? undefined : readTime(typed);
  const time = read?.kind === 'time' ? clockText(read.time) : undefined;
  const unclear = read !== undefined && time === undefined;
  const save = async () => {
    if (unclear) return;
    const on = time ? `${value.day}T${time}` : value.day;
    const body = { sequence: line.sequence, title: value.title, on };
    const answer = await submit('PUT', `/api/entries/${entry}/line`, body, () =>
      historyTexts.changed({ title: value.title }),
    );
    if (answer.ok) onDone();
  };
  return (
    <form
      className={styles.line}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onDone();
      }}
    >
      <Field
        label={say.lineTitle}
        value={value.title}
        onChange={(title) => set({ title })}
        error={errors.title}
        autoFocus
      />
      <DayField
        label={say.lineDay}
        value={value.day}
        onChange={(day) => set({ day })}
        error={errors.on ?? errors.setOn ?? errors.opens ?? errors.closes}
      />
      {line.timed ? (
        <TimeField
          label={say.lineTime}
          value={value.time}
          onChange={(next) => set({ time: next })}
          error={read?.kind === 'unreadable' ? panelTexts.errors.time : undefined}
          readings={read?.kind === 'ask' ? read.readings.map((time) => timeLabel(time)) : undefined}
        />
      ) : null}
      <div className={styles.lineActs}>
        <Button type="submit" size="small" variant="contained" disabled={busy || unclear}>
          {say.save}
        </Button>
        <Button size="small" variant="outlined" onClick={onDone}>
          {say.keep}
        </Button>
      </div>
      {message ? <p role="alert">{message}</p> : null}
    </form>
  );
}
