'use client';
import Button from '@mui/material/Button';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import styles from './EntryForm.module.css';

type Props = Readonly<{
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string;
  hint?: string;
  /** Both readings, when what was typed means two things. */
  readings?: readonly string[];
}>;

/** A time as people type it; a bare 1 to 6 is asked, never guessed. */
export function TimeField({ readings, ...field }: Props) {
  return (
    <div className={styles.time}>
      <Field {...field} />
      {readings ? (
        <div
          role="group"
          aria-label={panelTexts.whichTime({ typed: field.value })}
          className={styles.readings}
        >
          {readings.map((reading) => (
            <Button key={reading} size="small" variant="outlined" onClick={() => field.onChange(reading)}>
              {reading}
            </Button>
          ))}
        </div>
      ) : null}
    </div>
  );
}
