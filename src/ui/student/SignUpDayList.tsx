'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { takeTexts as say } from '@/core/texts/takeTimes';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import styles from './SignUp.module.css';
import type { SignUpDay, SlotChoice } from './signUpView';

const LABELS = {
  yours: say.slotYours,
  taken: say.slotTaken,
  late: say.slotLate,
} as const;

type Props = Readonly<{
  days: readonly SignUpDay[];
  /** Of whom alone; empty: of all. */
  host: string;
  busy: boolean;
  /** Whether what is chosen takes the place of a time that one has. */
  moving: boolean;
  onTake: (slot: SlotChoice, body: Readonly<{ note: string; answer: string }>) => Promise<boolean>;
  onWait: (slot: SlotChoice) => Promise<boolean>;
}>;

/** What a time offers to whoever presses it. */
function offerOf({ state, time, minutes }: SlotChoice): string {
  if (state === 'free') return say.slot({ time, minutes });
  if (state === 'offered') return say.slotOffered({ time });
  return state === 'waiting' ? say.slotWaiting({ time }) : say.slotWait({ time });
}

/** The times of each day, next first; the one that is tapped opens below. */
export function SignUpDayList({ days, host, busy, moving, onTake, onWait }: Props) {
  const [chosen, setChosen] = useState<string>();
  const [note, setNote] = useState('');
  const [answer, setAnswer] = useState('');
  const choose = (id: string) => setChosen(id === chosen ? undefined : id);
  return days.map((day, i) => {
    const slot = day.slots.find((s) => s.id === chosen);
    const take = async (taken: SlotChoice) => {
      if (!(await onTake(taken, { note, answer }))) return;
      setNote('');
      setAnswer('');
      setChosen(undefined);
    };
    const wait = async (waited: SlotChoice) => {
      if (await onWait(waited)) setChosen(undefined);
    };
    return (
      <section
        key={day.key}
        className={styles.day}
        data-course={day.color}
        aria-label={`${day.date}, ${day.tag} ${day.title}`}
      >
        {day.week && day.week !== days[i - 1]?.week ? <p className={styles.weekName}>{day.week}</p> : null}
        <div className={styles.dayHead}>
          <h2>{day.date}</h2>
          <span className="soft">{say.freeOn({ free: day.free, all: day.slots.length })}</span>
        </div>
        <p className="soft">
          <span className="tag">{day.tag}</span>{' '}
          {[day.title, say.with({ names: day.hosts }), day.place].filter(Boolean).join(' · ')}
        </p>
        {day.shut ? <p className="notice">{day.shut}</p> : null}
        <ul className={styles.slots}>
          {day.slots
            .filter((s) => host === '' || s.hosts === host)
            .map((s) => (
              <li key={s.id}>
                {!day.shut &&
                (s.state === 'free' || s.state === 'offered' || s.state === 'waiting' || s.mayWait) ? (
                  <button
                    type="button"
                    className={styles.slot}
                    data-state={s.state}
                    aria-label={`${offerOf(s)}, ${day.date}, ${day.title}`}
                    aria-pressed={s.id === chosen}
                    onClick={() => choose(s.id)}
                  >
                    <b>{s.time}</b>
                    <span>{s.state === 'free' ? say.minutes({ n: s.minutes }) : say.states[s.state]}</span>
                  </button>
                ) : (
                  <span
                    className={styles.slot}
                    data-state={s.state}
                    role="img"
                    aria-label={
                      s.state in LABELS
                        ? LABELS[s.state as keyof typeof LABELS]({ time: s.time })
                        : say.slotTaken({ time: s.time })
                    }
                  >
                    <b>{s.time}</b>
                    <span>{say.states[s.state]}</span>
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
            <p className="soft">{[slot.hosts, day.place].filter(Boolean).join(' · ')}</p>
            <ul className={`soft ${styles.facts}`}>
              {slot.facts.map((fact) => (
                <li key={fact}>{fact}</li>
              ))}
            </ul>
            {slot.clash ? <p className="notice">{slot.clash}</p> : null}
            {slot.state === 'free' || slot.state === 'offered' ? (
              <>
                {moving ? null : (
                  <Field label={say.note({ host: slot.hosts })} value={note} onChange={setNote} rows={2} />
                )}
                {!moving && day.question ? (
                  day.question.choices.length > 0 ? (
                    <Select
                      label={day.question.text}
                      value={answer}
                      options={[
                        { value: '', label: say.choose },
                        ...day.question.choices.map((value) => ({ value, label: value })),
                      ]}
                      onChange={setAnswer}
                    />
                  ) : (
                    <Field label={day.question.text} value={answer} onChange={setAnswer} />
                  )
                ) : null}
                <p className={styles.buttons}>
                  <Button variant="contained" disabled={busy} onClick={() => void take(slot)}>
                    {moving ? say.moveHere : say.confirm}
                  </Button>
                  {slot.state === 'offered' ? (
                    <Button variant="outlined" disabled={busy} onClick={() => void wait(slot)}>
                      {say.letGo}
                    </Button>
                  ) : null}
                </p>
              </>
            ) : (
              <p className={styles.buttons}>
                <Button variant="outlined" disabled={busy} onClick={() => void wait(slot)}>
                  {slot.state === 'waiting' ? say.stopWaiting : say.wait}
                </Button>
              </p>
            )}
          </div>
        ) : null}
      </section>
    );
  });
}
