'use client';
import Button from '@mui/material/Button';
import { accountTexts as say } from '@/core/texts/account';
import { useSubmit } from '../controls/useSubmit';
import styles from './Account.module.css';

/** Courses whose lists name somebody who teaches: a place is theirs by their own yes alone. */
export function OfferedPlaces({
  places,
}: Readonly<{ places: readonly Readonly<{ id: string; course: string }>[] }>) {
  const { submit, message, busy } = useSubmit();
  if (places.length === 0) return null;
  const answer = (id: string, course: string, accept: boolean) =>
    submit('PUT', `/api/offered-places/${id}`, { accept }, () =>
      accept ? say.placeTaken({ course }) : say.placeDeclined({ course }),
    );
  return (
    <section className="notice" aria-labelledby="places">
      <h2 id="places">{say.places}</h2>
      <ul className={styles.places}>
        {places.map(({ id, course }) => (
          <li key={id}>
            <span>{say.place({ course })}</span>
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              aria-label={say.takePlace({ course })}
              onClick={() => void answer(id, course, true)}
            >
              {say.yes}
            </Button>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.declinePlace({ course })}
              onClick={() => void answer(id, course, false)}
            >
              {say.no}
            </Button>
          </li>
        ))}
      </ul>
      {message ? <p role="alert">{message}</p> : null}
    </section>
  );
}
