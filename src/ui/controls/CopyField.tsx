'use client';
import CopiedIcon from '@mui/icons-material/CheckOutlined';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { frameTexts } from '@/core/texts/frame';
import styles from './CopyField.module.css';

/** A long text in one line, with a button that copies it. */
export function CopyField({ label, value, action }: { label: string; value: string; action: string }) {
  const [state, setState] = useState<'idle' | 'copied' | 'failed'>('idle');
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(value);
      setState('copied');
    } catch {
      setState('failed');
    }
  };
  return (
    <div>
      <div className={styles.row}>
        <input
          className={styles.text}
          readOnly
          value={value}
          aria-label={label}
          onFocus={(e) => e.target.select()}
        />
        <Button
          variant="outlined"
          startIcon={state === 'copied' ? <CopiedIcon /> : <CopyIcon />}
          onClick={copy}
        >
          {state === 'copied' ? frameTexts.copied : action}
        </Button>
      </div>
      <p role="status" className={styles.status}>
        {state === 'failed' ? frameTexts.copyFailed : ''}
      </p>
    </div>
  );
}
