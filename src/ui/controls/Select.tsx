'use client';
import { useId } from 'react';
import styles from './Select.module.css';

type Props = Readonly<{
  label: string;
  value: string;
  options: readonly Readonly<{ value: string; label: string }>[];
  onChange: (value: string) => void;
  error?: string;
  /** For a value that only the browser knows, such as the zone of the device. */
  fromDevice?: boolean;
}>;

/** A labelled choice among many. */
export function Select({ label, value, options, onChange, error, fromDevice = false }: Props) {
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
        onChange={(event) => onChange(event.target.value)}
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
