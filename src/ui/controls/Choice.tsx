'use client';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useId } from 'react';
import styles from './Field.module.css';

type Props<T extends string> = Readonly<{
  label: string;
  value: T;
  options: readonly Readonly<{ value: T; label: string }>[];
  onChange: (value: T) => void;
  column?: boolean;
}>;

/** One of a few, all of them in sight. */
export function Choice<T extends string>({ label, value, options, onChange, column = false }: Props<T>) {
  const id = useId();
  return (
    <div>
      <div id={id} className={styles.label}>
        {label}
      </div>
      <RadioGroup
        aria-labelledby={id}
        row={!column}
        value={value}
        onChange={(_, next) => onChange(next as T)}
      >
        {options.map((option) => (
          <FormControlLabel
            key={option.value}
            value={option.value}
            control={<Radio size="small" />}
            label={option.label}
          />
        ))}
      </RadioGroup>
    </div>
  );
}
