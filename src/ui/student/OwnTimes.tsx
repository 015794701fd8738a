'use client';
import Button from '@mui/material/Button';
import { entryTexts } from '@/core/texts/entries';
import { takeTexts as say } from '@/core/texts/takeTimes';
import styles from './SignUp.module.css';
import type { OwnTime } from './signUpView';

/** The times one holds: where they are, and ways to give them back or exchange them. */
export function OwnTimes({
  own,
  moving,
  busy,
  onMove,
  onGiveBack,
}: {
  own: readonly OwnTime[];
  /** The booking that is being exchanged. */
  moving?: string;
  busy: boolean;
  onMove: (time: OwnTime | undefined) => void;
  onGiveBack: (time: OwnTime) => void;
}) {
  if (own.length === 0) return null;
  return (
    <section aria-labelledby="yours" className={styles.own}>
      <h2 id="yours">{say.yoursTitle}</h2>
      <ul>
        {own.map((time) => (
          <li key={time.booking} className="card" data-course={time.color}>
            <p>
              <span className="tag">{time.tag}</span>{' '}
              <b>
                {time.when}, {time.range}
              </b>
            </p>
            <p className="soft">
              {[time.title, say.with({ names: time.hosts }), time.place, time.companions]
                .filter(Boolean)
                .join(' · ')}
              {time.note ? (
                <>
                  <br />“{time.note}”
                </>
              ) : null}
            </p>
            {time.links.map((link) => (
              <p key={link.url}>
                <a href={link.url} target="_blank" rel="noopener">
                  {link.label}
                </a>
              </p>
            ))}
            <p className={styles.buttons}>
              {time.meetingLink ? (
                <Button variant="contained" href={time.meetingLink} target="_blank" rel="noopener">
                  {entryTexts.join({ name: '' })}
                </Button>
              ) : null}
              {time.giveBackUntil ? (
                <>
                  <Button variant="outlined" disabled={busy} onClick={() => onGiveBack(time)}>
                    {say.giveBack}
                  </Button>
                  <Button
                    variant="outlined"
                    disabled={busy}
                    aria-pressed={moving === time.booking}
                    onClick={() => onMove(moving === time.booking ? undefined : time)}
                  >
                    {say.move}
                  </Button>
                </>
              ) : null}
            </p>
            <p className="soft">{time.giveBackUntil || say.giveBackOver}</p>
            {moving === time.booking ? <p className="notice">{say.moveHint}</p> : null}
          </li>
        ))}
      </ul>
    </section>
  );
}
