'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { useFresh } from '../controls/useFresh';
import { useSubmit } from '../controls/useSubmit';
import styles from './RunSheet.module.css';
import { RunTime } from './RunTime';
import type { RunDay, RunView } from './runView';

const { run: say } = signupTexts;

/** The staff's page of a sheet: who comes and with what, and everything that can be done about it. */
export function RunSheet({ view, version }: { view: RunView; version: number }) {
  const { submit, errors, message, busy } = useSubmit();
  useFresh(version);
  const [all, setAll] = useState(false);
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [writing, setWriting] = useState<'message' | 'cancel'>();
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const path = `/api/sheets/${view.id}`;
  const coming = view.days.filter((day) => !day.past);
  const days = all ? view.days : coming;
  const booked = coming.flatMap((day) => day.slots.flatMap((slot) => slot.bookings));

  const send = async () => {
    const bookings = chosen.size > 0 ? [...chosen] : undefined;
    const answer = await submit<{ told: number }>('POST', `${path}/message`, { text, bookings }, ({ told }) => historyTexts.told({ n: told })); // prettier-ignore
    if (!answer.ok) return;
    setText('');
    setChosen(new Set());
    setWriting(undefined);
  };
  const cancel = async () => {
    const body = { from, to: to || undefined, message: text };
    const answer = await submit<{ cancelled: number; told: number }>(
      'POST',
      `${path}/cancel`,
      body,
      ({ cancelled, told }) => say.cancelledAll({ n: cancelled, told }),
    );
    if (!answer.ok) return;
    setText('');
    setWriting(undefined);
  };
  const begin = (what: 'message' | 'cancel', day?: RunDay) => {
    setWriting(what);
    setFrom(day?.date ?? coming[0]?.date ?? '');
    setTo(day?.date ?? '');
  };
  const choose = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <div className={styles.run}>
      <div className={styles.tools}>
        <Button
          size="small"
          variant="outlined"
          disabled={booked.length === 0}
          onClick={() => begin('message')}
        >
          {say.message({ chosen: chosen.size, all: booked.length })}
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={coming.length === 0}
          onClick={() => begin('cancel')}
        >
          {say.cancelSome}
        </Button>
        <Button size="small" onClick={() => setAll(!all)}>
          {all ? say.comingOnly : say.pastToo}
        </Button>
      </div>
      {writing ? (
        <form
          className={`card ${styles.form}`}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void (writing === 'message' ? send() : cancel());
          }}
        >
          {writing === 'cancel' ? (
            <div className={styles.pair}>
              <DayField label={say.from} value={from} onChange={setFrom} error={errors.from} />
              <DayField label={say.to} hint={say.toHint} value={to} onChange={setTo} error={errors.to} />
            </div>
          ) : null}
          <Field
            label={writing === 'message' ? say.text : signupTexts.message}
            rows={3}
            value={text}
            onChange={setText}
            error={errors.text ?? errors.message}
            autoFocus
          />
          {message ? <p role="alert">{message}</p> : null}
          <div className={styles.tools}>
            <Button type="submit" variant="contained" disabled={busy}>
              {writing === 'message' ? say.send({ n: chosen.size || booked.length }) : say.cancelNow}
            </Button>
            <Button variant="outlined" onClick={() => setWriting(undefined)}>
              {say.back}
            </Button>
          </div>
        </form>
      ) : null}
      {days.length === 0 ? <p className="empty">{say.noTimes}</p> : null}
      {days.map((day) => (
        <section key={day.date} className={styles.day} data-today={day.today}>
          <div className={styles.dayHead}>
            <h2>{day.label}</h2>
            {day.past ? null : (
              <span className={styles.tools}>
                {view.hosts.length > 1 && !view.together
                  ? view.hosts.map((host) => (
                      <Button
                        key={host.id}
                        size="small"
                        disabled={busy || day.slots.every((slot) => slot.host === host.name)}
                        onClick={() =>
                          void submit('PUT', `${path}/host`, { date: day.date, host: host.id }, () =>
                            historyTexts.tookOver({ name: host.name }),
                          )
                        }
                      >
                        {say.takeOver({ name: host.name })}
                      </Button>
                    ))
                  : null}
                <Button
                  size="small"
                  onClick={() => begin('cancel', day)}
                  aria-label={say.cancelDayOf({ day: day.label })}
                >
                  {say.cancelDay}
                </Button>
              </span>
            )}
          </div>
          <ul>
            {day.slots.map((slot) => (
              <RunTime key={slot.id} slot={slot} date={day.date} roster={view.roster}>
                {(booking) => (
                  <Checkbox
                    checked={chosen.has(booking.id)}
                    disabled={booking.begun}
                    onChange={() => choose(booking.id)}
                    slotProps={{ input: { 'aria-label': say.choose({ name: booking.name }) } }}
                  />
                )}
              </RunTime>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
