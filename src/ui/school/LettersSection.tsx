'use client';
import Button from '@mui/material/Button';
import { schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';
import { useAct } from '../controls/useSubmit';

type Letter = Readonly<{
  id: string;
  recipient: string;
  subject: string;
  state: 'queued' | 'sent' | 'failed';
  attempts: number;
  error: string | null;
}>;

/** The outbox: what was sent, what waits, what was given up. */
export function LettersSection({ letters }: { letters: readonly Letter[] }) {
  const { act, busy } = useAct();
  return (
    <section className={styles.section} aria-labelledby="letters">
      <h2 id="letters">{schoolTexts.letters}</h2>
      <p className="soft">{letters.length === 0 ? schoolTexts.noLetters : schoolTexts.lettersLead}</p>
      <ul className={styles.list}>
        {letters.map((letter) => (
          <li key={letter.id}>
            <span>
              <b>{letter.recipient}</b> {letter.subject}
              <br />
              <span className={letter.state === 'failed' ? styles.error : 'soft'}>
                {schoolTexts.letterState(letter.state, letter.attempts, letter.error)}
              </span>
            </span>
            {letter.state !== 'sent' && letter.attempts > 0 ? (
              <Button
                size="small"
                disabled={busy}
                aria-label={schoolTexts.sendAnewTo({ to: letter.recipient })}
                onClick={() =>
                  act('POST', `/api/letters/${letter.id}`, undefined, () =>
                    schoolTexts.sendingAnew({ to: letter.recipient }),
                  )
                }
              >
                {schoolTexts.sendAnew}
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}
