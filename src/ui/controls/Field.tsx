'use client';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import OutlinedInput from '@mui/material/OutlinedInput';
import type { HTMLInputTypeAttribute } from 'react';
import { useId } from 'react';
import styles from './Field.module.css';

type Props = Readonly<{
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string;
  hint?: string;
  type?: HTMLInputTypeAttribute;
  name?: string;
  autoComplete?: string;
  autoFocus?: boolean;
  rows?: number;
  width?: number | string;
  min?: number | string;
  max?: number | string;
}>;

/** A labelled field: the label stands above, what is wrong below, and both are read out. */
export function Field({
  label,
  value,
  onChange,
  error,
  hint,
  type = 'text',
  rows,
  width,
  min,
  max,
  ...input
}: Props) {
  const id = useId();
  const message = error ?? hint;
  return (
    <FormControl error={Boolean(error)} style={{ width: width ?? '100%' }}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <OutlinedInput
        id={id}
        size="small"
        type={type}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        multiline={rows !== undefined}
        rows={rows}
        slotProps={{ input: { 'aria-describedby': message ? `${id}-message` : undefined, min, max } }}
        {...input}
      />
      {message ? <FormHelperText id={`${id}-message`}>{message}</FormHelperText> : null}
    </FormControl>
  );
}
