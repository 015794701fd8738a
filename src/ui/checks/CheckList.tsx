'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { checkTexts as say } from '@/core/texts/checks';
import { Field } from '../controls/Field';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { useAct } from '../controls/useSubmit';
import type { CheckLine } from './checkLine';
import styles from './Checks.module.css';
import { useRemedy } from './useRemedy';

/** What the checks found, each with its remedy, and a way to say that it is meant so. */
export function CheckList({ lines, within = false }: { lines: readonly CheckLine[]; within?: boolean }) {
  const drawn = useFirstThenAll(lines, 12);
  const { open, apply, busy, problem } = useRemedy();
  const { act, busy: leaving } = useAct();
  const [asking, setAsking] = useState<string>();
  const [reason, setReason] = useState('');
  const leaveOut = async (line: CheckLine) => {
    const answer = await act('POST', '/api/checks/dismissals', { key: line.key, reason }, () =>
      say.leftOut({ title: line.title }),
    );
    if (answer.ok) {
      setAsking(undefined);
      setReason('');
    }
  };
  return (
    <>
      {problem ? <p role="alert">{problem}</p> : null}
      <ul className={styles.list}>
        {drawn.map((line) => (
          <li key={line.key} className={styles.line}>
            {within ? null : (
              <p>
                {line.tags.map((tag) => (
                  <span key={tag.tag} className="tag" data-course={tag.color}>
                    {tag.tag}
                  </span>
                ))}{' '}
                <button type="button" className={styles.open} onClick={() => open(line)}>
                  {line.title}
                </button>{' '}
                <span className="soft">{line.where}</span>
              </p>
            )}
            <p>{line.why}</p>
            <div className={styles.buttons}>
              {within && line.remedy.act === 'open' ? null : (
                <Button size="small" variant="contained" disabled={busy} onClick={() => void apply(line)}>
                  {line.remedy.label}
                </Button>
              )}
              {asking === line.key ? null : (
                <Button
                  size="small"
                  variant="outlined"
                  aria-label={say.dismissThis({ title: line.title })}
                  onClick={() => setAsking(line.key)}
                >
                  {say.dismiss}
                </Button>
              )}
            </div>
            {asking === line.key ? (
              <form
                className={styles.reason}
                onSubmit={(event) => {
                  event.preventDefault();
                  void leaveOut(line);
                }}
              >
                <Field label={say.reason} value={reason} onChange={setReason} autoFocus />
                <Button type="submit" size="small" variant="outlined" disabled={leaving}>
                  {say.dismissNow}
                </Button>
              </form>
            ) : null}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What was left out, with who said so and why. */
export function LeftOut({
  lines,
}: {
  lines: readonly (CheckLine & Readonly<{ dismissal: string; by: string }>)[];
}) {
  const { act, busy } = useAct();
  if (lines.length === 0) return null;
  return (
    <section className={`card ${styles.left}`} aria-labelledby="left-out">
      <h2 id="left-out">{say.dismissed}</h2>
      <p className="soft">{say.dismissedLead}</p>
      <ul className={styles.list}>
        {lines.map((line) => (
          <li key={line.key} className={styles.line}>
            <p>
              <b>{line.title}</b> <span className="soft">{line.where}</span>
            </p>
            <p>{line.why}</p>
            <p className="soft">{line.by}</p>
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              onClick={() =>
                void act('DELETE', `/api/checks/dismissals/${line.dismissal}`, undefined, () =>
                  say.backAgain({ title: line.title }),
                )
              }
            >
              {say.back}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
