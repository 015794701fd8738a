'use client';
import { useId } from 'react';
import styles from './NewSheet.module.css';

type Props = Readonly<{
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string;
  number?: boolean;
  wide?: boolean;
}>;

/** A part of the sentence that is a field: as wide as what stands in it. */
export function Blank({ label, value, onChange, error, number = false, wide = false }: Props) {
  const id = useId();
  const size = Math.max(wide ? 10 : number ? 2 : 5, Math.min(28, value.length + 1));
  return (
    <span className={styles.part}>
      <input
        className={styles.blank}
        type="text"
        inputMode={number ? 'numeric' : undefined}
        size={size}
        aria-label={label}
        title={label}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? id : undefined}
        placeholder={wide ? label : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      {error ? (
        <span id={id} className={styles.partError}>
          {error}
        </span>
      ) : null}
    </span>
  );
}
