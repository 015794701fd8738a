'use client';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useId } from 'react';
import styles from './Field.module.css';

type Props<Value extends string> = Readonly<{
  label: string;
  value: Value;
  options: readonly Readonly<{ value: Value; label: string }>[];
  onChange: (value: Value) => void;
  error?: string;
  /** For a value that only the browser knows, such as the zone of the device. */
  fromDevice?: boolean;
}>;

/** A labelled choice among many: the list is the device's own, which a phone opens as it opens all of them. */
export function Select<Value extends string>({
  label,
  value,
  options,
  onChange,
  error,
  fromDevice = false,
}: Props<Value>) {
  const id = useId();
  return (
    <FormControl error={Boolean(error)} style={{ minWidth: 0 }}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <NativeSelect
        id={id}
        value={value}
        input={<OutlinedInput size="small" />}
        slotProps={{
          input: {
            'aria-describedby': error ? `${id}-error` : undefined,
            suppressHydrationWarning: fromDevice,
          },
        }}
        // The browser gives back one of the options.
        onChange={(event) => onChange(event.target.value as Value)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </NativeSelect>
      {error ? <FormHelperText id={`${id}-error`}>{error}</FormHelperText> : null}
    </FormControl>
  );
}
