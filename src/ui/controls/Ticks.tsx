'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import styles from './Ticks.module.css';

/** Boxes of which any number can be ticked. */
export function Ticks<T extends string>({
  legend,
  options,
  ticked,
  onChange,
  error,
  inline = false,
}: {
  legend: string;
  options: readonly Readonly<{ value: T; label: string }>[];
  ticked: readonly T[];
  onChange: (ticked: readonly T[]) => void;
  error?: string;
  /** Side by side, as far as there is room: for short ones. */
  inline?: boolean;
}) {
  return (
    <fieldset className={styles.ticks} data-inline={inline}>
      <legend>{legend}</legend>
      {options.map(({ value, label }) => (
        <FormControlLabel
          key={value}
          control={
            <Checkbox
              checked={ticked.includes(value)}
              onChange={() =>
                onChange(ticked.includes(value) ? ticked.filter((x) => x !== value) : [...ticked, value])
              }
            />
          }
          label={label}
        />
      ))}
      {error ? <p className={styles.error}>{error}</p> : null}
    </fieldset>
  );
}

export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <FormControlLabel
      control={<Checkbox checked={checked} onChange={(_, on) => onChange(on)} />}
      label={label}
    />
  );
}
