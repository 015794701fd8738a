'use client';
import Button from '@mui/material/Button';
import { schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';
import { useAct } from '../controls/useSubmit';

export type RemovableLine = Readonly<{ id: string; name: string; when: string; removable: boolean }>;

/** Lines of which some can be taken away: `path` and the line's id are what is deleted. */
export function RemovableList({
  lines,
  path,
  empty,
  removed,
}: {
  lines: readonly RemovableLine[];
  path: string;
  empty: string;
  removed: 'closure' | 'siteDate';
}) {
  const { act, busy } = useAct();
  if (lines.length === 0) return <p className="soft">{empty}</p>;
  return (
    <ul className={styles.list}>
      {lines.map(({ id, name, when, removable }) => (
        <li key={id}>
          <span>
            <b>{name}</b> <span className="soft">{when}</span>
          </span>
          {removable ? (
            <Button
              size="small"
              aria-label={schoolTexts.removeNamed({ name })}
              disabled={busy}
              onClick={() =>
                act('DELETE', `${path}/${id}`, undefined, () => schoolTexts.removed[removed]({ name }))
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
