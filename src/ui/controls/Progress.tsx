import Button from '@mui/material/Button';
import { frameTexts } from '@/core/texts/frame';
import styles from './Progress.module.css';

/** How far long work is, in words and as a bar, with a way to stop it. */
export function Progress({ words, share, onStop }: { words: string; share: number; onStop: () => void }) {
  return (
    <div className={styles.progress}>
      <p role="status">{words}</p>
      <progress max={1} value={share} aria-label={words} />
      <Button size="small" variant="outlined" onClick={onStop}>
        {frameTexts.stop}
      </Button>
    </div>
  );
}
