'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { signupTexts } from '@/core/texts/signup';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { useMessages } from '../controls/Messages';
import styles from './SignUp.module.css';
import type { OwnTime, SignUpDay, SlotChoice } from './signUpView';

const { take: say } = signupTexts;

/** Free times over all courses: tap one, then take it; give one's own back. */
export function SignUp({ days, own }: { days: readonly SignUpDay[]; own: readonly OwnTime[] }) {
  const router = useRouter();
  const tell = useMessages();
  const [chosen, setChosen] = useState<string>();
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);

  const takeTime = async (slot: SlotChoice) => {
    setBusy(true);
    const answer = await callApi('POST', `/api/slots/${slot.id}/booking`, { note });
    setBusy(false);
    tell(answer.ok ? say.tookMessage(slot.when) : answer.message, answer.ok ? answer.history : undefined);
    if (answer.ok) setNote('');
    setChosen(undefined);
    router.refresh();
  };
  const giveBack = async (time: OwnTime) => {
    setBusy(true);
    const answer = await callApi('DELETE', `/api/bookings/${time.booking}`);
    setBusy(false);
    tell(
      answer.ok ? say.gaveMessage(`${time.when}, ${time.range}`) : answer.message,
      answer.ok ? answer.history : undefined,
    );
    router.refresh();
  };

  return (
    <>
      {own.length > 0 ? (
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
                  {[time.title, say.with(time.hosts), time.place].filter(Boolean).join(' · ')}
                  {time.note ? (
                    <>
                      <br />“{time.note}”
                    </>
                  ) : null}
                </p>
                <p className={styles.buttons}>
                  {time.meetingLink ? (
                    <Button variant="contained" href={time.meetingLink} target="_blank" rel="noopener">
                      {say.join}
                    </Button>
                  ) : null}
                  <Button variant="outlined" disabled={busy} onClick={() => giveBack(time)}>
                    {say.giveBack}
                  </Button>
                </p>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {days.length === 0 ? (
        <div className="empty">
          <h2>{say.none}</h2>
          <p>{say.noneLead}</p>
        </div>
      ) : null}
      {days.map((day) => {
        const slot = day.slots.find((s) => s.id === chosen);
        return (
          <section
            key={day.key}
            className={styles.day}
            data-course={day.color}
            aria-label={`${day.date}, ${day.tag} ${day.title}`}
          >
            <div className={styles.dayHead}>
              <h2>{day.date}</h2>
              <span className="soft">{say.freeOn(day.free, day.slots.length)}</span>
            </div>
            <p className="soft">
              <span className="tag">{day.tag}</span>{' '}
              {[day.title, say.with(day.hosts), day.place].filter(Boolean).join(' · ')}
            </p>
            <ul className={styles.slots}>
              {day.slots.map((s) => (
                <li key={s.id}>
                  {s.state === 'free' ? (
                    <button
                      type="button"
                      className={styles.slot}
                      aria-label={say.slot(s.time, s.minutes)}
                      aria-pressed={s.id === chosen}
                      onClick={() => setChosen(s.id === chosen ? undefined : s.id)}
                    >
                      <b>{s.time}</b>
                      <span>{s.minutes} min</span>
                    </button>
                  ) : (
                    <span
                      className={styles.slot}
                      data-state={s.state}
                      role="img"
                      aria-label={s.state === 'yours' ? say.slotYours(s.time) : say.slotTaken(s.time)}
                    >
                      <b>{s.time}</b>
                      <span>{s.state === 'yours' ? say.yours : say.taken}</span>
                    </span>
                  )}
                </li>
              ))}
            </ul>
            {slot ? (
              <div className={`card ${styles.confirm}`}>
                <p>
                  <b>
                    {slot.when.split(',')[0]}, {slot.range}
                  </b>
                </p>
                <p className="soft">{day.place}</p>
                <Field label={say.note(day.hosts)} value={note} onChange={setNote} rows={2} />
                <p className={styles.buttons}>
                  <Button variant="contained" disabled={busy} onClick={() => takeTime(slot)}>
                    {say.confirm}
                  </Button>
                </p>
              </div>
            ) : null}
          </section>
        );
      })}
    </>
  );
}
