'use client';
import styles from './School.module.css';

type Props = Readonly<{
  label: string;
  value: string;
  options: readonly Readonly<{ value: string; label: string }>[];
  onChange: (value: string) => void;
  error?: string;
}>;

/** A labelled choice among many. */
export function Select({ label, value, options, onChange, error }: Props) {
  return (
    <label className={styles.label}>
      {label}
      <select
        className={styles.select}
        value={value}
        aria-invalid={Boolean(error)}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      {error ? <span className={styles.error}>{error}</span> : null}
    </label>
  );
}
