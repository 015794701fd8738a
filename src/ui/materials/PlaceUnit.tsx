'use client';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { materialTexts as say } from '@/core/texts/materials';
import { panelTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import { DayField } from '../days/DayField';
import { useSubmit } from '../controls/useSubmit';
import styles from './Materials.module.css';

type Preview = Readonly<{
  lines: readonly Readonly<{ ordinal: number; title: string; days: readonly string[] }>[];
  left: readonly string[];
}>;

/** The items of a unit, one class each; which goes where is shown before anything changes. */
export function PlaceUnit({
  unit,
  from,
  rest,
  onDone,
  onEntry,
}: {
  unit: Readonly<{ id: string; title: string }>;
  from: string;
  /** Leaves out what some class leads to already. */
  rest: boolean;
  onDone: () => void;
  /** Offers one entry with the whole unit instead. */
  onEntry?: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [day, setDay] = useState(from);
  const [preview, setPreview] = useState<Preview>();
  const path = `/api/materials/${unit.id}/classes`;
  useEffect(() => {
    let wanted = true;
    if (day)
      void callApi<Preview>('POST', `${path}/preview`, { from: day, rest }).then((answer) => {
        if (wanted) setPreview(answer.ok ? answer.value : undefined);
      });
    return () => {
      wanted = false;
    };
  }, [path, day, rest]);
  const save = async () => {
    const answer = await submit<{ planned: number }>('POST', path, { from: day, rest }, ({ planned }) =>
      say.placed({ title: unit.title, count: planned }),
    );
    if (answer.ok) onDone();
  };
  const count = preview?.lines.length ?? 0;
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (count > 0) void save();
      }}
    >
      <p className="soft">{say.placeLead}</p>
      <DayField label={say.placeFrom} value={day} onChange={setDay} error={errors.from ?? errors.unit} />
      <ul className={styles.preview} aria-live="polite">
        {(preview?.lines ?? []).map((line) => (
          <li key={line.ordinal}>
            {say.placeLine(line.ordinal, line.title)} <span className="soft">{line.days.join(', ')}</span>
          </li>
        ))}
      </ul>
      {preview && preview.left.length > 0 ? (
        <p className="notice">{say.placeLeft({ titles: preview.left })}</p>
      ) : null}
      {message ? <p role="alert">{message}</p> : null}
      <div className={styles.buttons}>
        {count > 0 ? (
          <Button type="submit" variant="contained" disabled={busy} autoFocus>
            {say.placeNow({ count })}
          </Button>
        ) : null}
        {onEntry ? (
          <Button variant="outlined" onClick={onEntry}>
            {say.oneEntry}
          </Button>
        ) : null}
        <Button variant="outlined" onClick={onDone}>
          {panelTexts.cancel}
        </Button>
      </div>
    </form>
  );
}
