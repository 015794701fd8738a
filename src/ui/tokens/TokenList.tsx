'use client';
import Button from '@mui/material/Button';
import { tokenTexts as say } from '@/core/texts/tokens';
import { useAct } from '../controls/useSubmit';
import styles from './Tokens.module.css';

/** Tokens with what they reach, in words, and an end for each. */
export function TokenList({
  lines,
}: {
  lines: readonly Readonly<{ id: string; name: string; owner?: string; reach: string; use: string }>[];
}) {
  const { act, busy } = useAct();
  if (lines.length === 0) return <p className="soft">{say.noneYet}</p>;
  return (
    <ul className={styles.list}>
      {lines.map(({ id, name, owner, reach, use }) => (
        <li key={id}>
          <div>
            <b>{name}</b> {owner ? <span className="soft">{say.of({ owner })}</span> : null}
            <div>{reach}</div>
            <div className="soft">{use}</div>
          </div>
          <Button
            size="small"
            variant="outlined"
            disabled={busy}
            aria-label={say.endOf({ name })}
            onClick={() => void act('DELETE', `/api/tokens/${id}`, undefined, () => say.ended({ name }))}
          >
            {say.end}
          </Button>
        </li>
      ))}
    </ul>
  );
}
