'use client';
import { useId } from 'react';
import styles from './Select.module.css';

type Props<Value extends string> = Readonly<{
  label: string;
  value: Value;
  options: readonly Readonly<{ value: Value; label: string }>[];
  onChange: (value: Value) => void;
  error?: string;
  /** For a value that only the browser knows, such as the zone of the device. */
  fromDevice?: boolean;
}>;

/** A labelled choice among many. */
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
    <div className={styles.label}>
      <label htmlFor={id}>{label}</label>
      <select
        id={id}
        className={styles.select}
        value={value}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        suppressHydrationWarning={fromDevice}
        // The browser gives back one of the options.
        onChange={(event) => onChange(event.target.value as Value)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      {error ? (
        <span id={`${id}-error`} className={styles.error}>
          {error}
        </span>
      ) : null}
    </div>
  );
}
