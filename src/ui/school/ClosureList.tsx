'use client';
import Button from '@mui/material/Button';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';
import { useSubmit } from './useSubmit';

export type ClosureLine = Readonly<{ id: string; name: string; when: string; removable: boolean }>;

export function ClosureList({ closures }: { closures: readonly ClosureLine[] }) {
  const { submit, busy } = useSubmit();
  if (closures.length === 0) return <p className="soft">{schoolTexts.noClosures}</p>;
  return (
    <ul className={styles.list}>
      {closures.map(({ id, name, when, removable }) => (
        <li key={id}>
          <span>
            <b>{name}</b> <span className="soft">{when}</span>
          </span>
          {removable ? (
            <Button
              size="small"
              aria-label={schoolTexts.removeClosure(name)}
              disabled={busy}
              onClick={() =>
                submit('DELETE', `/api/closures/${id}`, undefined, () => frameHistoryTexts.opened(name))
              }
            >
              {schoolTexts.remove}
            </Button>
          ) : null}
        </li>
      ))}
    </ul>
  );
}
