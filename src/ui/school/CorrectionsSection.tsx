'use client';
import Button from '@mui/material/Button';
import { officeTexts as say } from '@/core/texts/office';
import { useSubmit } from '../controls/useSubmit';
import styles from './School.module.css';

export type CorrectionLine = Readonly<{ id: string; name: string; words: string }>;

/** What courses' lists say of people otherwise than the school: taken over or left by the administrator. */
export function CorrectionsSection({ corrections }: Readonly<{ corrections: readonly CorrectionLine[] }>) {
  const { submit, message, busy } = useSubmit();
  if (corrections.length === 0) return null;
  const answer = ({ id, name }: CorrectionLine, take: boolean) =>
    submit('PUT', `/api/corrections/${id}`, { take }, () =>
      take ? say.corrected({ name }) : say.dismissed({ name }),
    );
  return (
    <section className={styles.section} aria-labelledby="corrections">
      <h2 id="corrections">{say.corrections}</h2>
      <p className="soft">{say.correctionsLead}</p>
      <ul className={styles.list}>
        {corrections.map((line) => (
          <li key={line.id}>
            <span>{line.words}</span>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.takeOverOf({ name: line.name })}
              onClick={() => void answer(line, true)}
            >
              {say.takeOver}
            </Button>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.dismissOf({ name: line.name })}
              onClick={() => void answer(line, false)}
            >
              {say.dismiss}
            </Button>
          </li>
        ))}
      </ul>
      <p role="alert" className={styles.error}>
        {message}
      </p>
    </section>
  );
}
