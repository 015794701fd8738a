'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { ownPlaceTexts } from '@/core/texts/ownPlace';
import { signupTexts } from '@/core/texts/signup';
import { readTime } from '@/core/time/typedTime';
import { timeLabel } from '@/core/time/dateLabels';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import styles from './RunSheet.module.css';
import type { RunBooking, RunSlot, RunView } from './runView';

const { run: say } = signupTexts;

/** One time: who comes, whether they came, booking for a student, another length, taking it off. */
export function RunTime({
  slot,
  date,
  roster,
  children,
}: {
  slot: RunSlot;
  date: string;
  roster: RunView['roster'];
  children: (booking: RunBooking) => ReactNode;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [open, setOpen] = useState(false);
  const [removing, setRemoving] = useState(false);
  const [reason, setReason] = useState('');
  const [value, setValue] = useState({
    start: slot.start,
    end: slot.end,
    seats: String(slot.seats),
    person: '',
    place: slot.place,
    meetingLink: slot.meetingLink,
  });
  const set = (changes: Partial<typeof value>) => setValue({ ...value, ...changes });
  const came = (booking: RunBooking, yes: boolean | null) =>
    submit('PUT', `/api/bookings/${booking.id}/came`, { came: yes }, () =>
      historyTexts.markedCame({ name: booking.name }),
    );
  const clock = (text: string) => {
    const read = readTime(text);
    return read.kind === 'time' ? `${date}T${timeLabel(read.time)}` : text;
  };
  const save = () =>
    submit<{ when: string }>(
      'PUT',
      `/api/slots/${slot.id}`,
      {
        start: clock(value.start),
        end: clock(value.end),
        seats: Number(value.seats),
        place: value.place,
        meetingLink: value.meetingLink,
      },
      ({ when }) => historyTexts.changedTime({ when }),
    ).then((answer) => answer.ok && setOpen(false));
  const book = () =>
    submit('POST', `/api/slots/${slot.id}/students`, { person: value.person }, () =>
      say.bookedFor({ name: roster.find(({ id }) => id === value.person)?.name ?? '' }),
    ).then((answer) => answer.ok && setOpen(false));
  const holders = slot.bookings.map(({ name }) => name);
  /** Of a time that somebody holds it is asked first what they read. */
  const remove = () => {
    if (holders.length > 0 && !removing) return setRemoving(true);
    const query = new URLSearchParams({ message: reason });
    return submit('DELETE', `/api/slots/${slot.id}?${query}`, undefined, () =>
      historyTexts.cancelledTime({ when: slot.clock }),
    );
  };
  return (
    <li className={styles.time} data-past={slot.past}>
      <span className={styles.clock}>
        {slot.clock}
        {slot.host ? <span className="soft"> {slot.host}</span> : null}
        {slot.place || slot.meetingLink ? (
          <span className="soft"> {slot.place || ownPlaceTexts.online}</span>
        ) : null}
      </span>
      <div className={styles.who}>
        {slot.bookings.length === 0 ? <span className="soft">{say.free({ seats: slot.seats })}</span> : null}
        {slot.bookings.map((booking) => (
          <div key={booking.id} className={styles.booking}>
            {children(booking)}
            <span className={styles.name}>
              <b>{booking.name}</b>
              {booking.note || booking.answer ? (
                <span className="soft"> {[booking.note, booking.answer].filter(Boolean).join(' · ')}</span>
              ) : null}
            </span>
            {booking.link && !slot.past ? (
              <a href={booking.link} target="_blank" rel="noopener">
                {signupTexts.take.join}
              </a>
            ) : null}
            {booking.begun ? (
              <span role="group" aria-label={say.cameOf({ name: booking.name })} className={styles.came}>
                <button
                  type="button"
                  aria-pressed={booking.came === true}
                  disabled={busy}
                  onClick={() => void came(booking, booking.came === true ? null : true)}
                >
                  {say.came}
                </button>
                <button
                  type="button"
                  aria-pressed={booking.came === false}
                  disabled={busy}
                  onClick={() => void came(booking, booking.came === false ? null : false)}
                >
                  {say.missed}
                </button>
              </span>
            ) : null}
          </div>
        ))}
        {slot.waiting.length > 0 ? (
          <span className="soft">{say.waiting({ names: slot.waiting.join(', ') })}</span>
        ) : null}
        {open ? (
          <div className={`card ${styles.form}`}>
            <div className={styles.three}>
              <Field
                label={say.begins}
                value={value.start}
                onChange={(start) => set({ start })}
                error={errors.start}
              />
              <Field label={say.ends} value={value.end} onChange={(end) => set({ end })} error={errors.end} />
              <Field
                label={signupTexts.fields.seats}
                value={value.seats}
                onChange={(seats) => set({ seats })}
                error={errors.seats}
              />
            </div>
            <div className={styles.pair}>
              <Field
                label={ownPlaceTexts.place}
                hint={ownPlaceTexts.placeHint}
                value={value.place}
                onChange={(place) => set({ place })}
                error={errors.place}
              />
              <Field
                label={ownPlaceTexts.link}
                hint={ownPlaceTexts.linkHint}
                value={value.meetingLink}
                onChange={(meetingLink) => set({ meetingLink })}
                error={errors.meetingLink}
              />
            </div>
            {slot.free > 0 ? (
              <div className={styles.pair}>
                <Select
                  label={say.bookFor}
                  value={value.person}
                  options={[
                    { value: '', label: say.nobody },
                    ...roster.map(({ id, name }) => ({ value: id, label: name })),
                  ]}
                  onChange={(person) => set({ person })}
                  error={errors.person}
                />
                <Button variant="outlined" disabled={busy || value.person === ''} onClick={() => void book()}>
                  {say.book}
                </Button>
              </div>
            ) : null}
            {message ? <p role="alert">{message}</p> : null}
            {removing ? (
              <Field
                label={say.takeOffWhy(holders)}
                hint={say.takeOffHint}
                value={reason}
                onChange={setReason}
                rows={2}
                autoFocus
              />
            ) : null}
            <div className={styles.tools}>
              <Button variant="contained" size="small" disabled={busy} onClick={() => void save()}>
                {signupTexts.save}
              </Button>
              <Button variant="outlined" size="small" disabled={busy} onClick={() => void remove()}>
                {removing ? say.takeOffNow({ n: holders.length }) : say.takeOff}
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setOpen(false);
                  setRemoving(false);
                }}
              >
                {say.back}
              </Button>
            </div>
          </div>
        ) : null}
      </div>
      {slot.past || open ? null : (
        <Button size="small" aria-label={say.changeTime({ clock: slot.clock })} onClick={() => setOpen(true)}>
          {say.change}
        </Button>
      )}
    </li>
  );
}
