'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { SCHEDULE_KINDS } from '@/core/schedule/scheduleLine';
import { scheduleTexts as say } from '@/core/texts/schedule';
import { Field } from '../controls/Field';
import { Link } from '../controls/Link';
import { Select } from '../controls/Select';
import { DayField } from '../days/DayField';
import styles from './Schedule.module.css';
import type { Draft } from './scheduleDraft';
import { answered, corrected, plans } from './scheduleDraft';

type Props = Readonly<{
  line: Draft;
  course: Readonly<{ id: string; term: string }>;
  dayLabel: (date: string) => string;
  onChange: (line: Draft) => void;
}>;

/** `Tue 6 Oct, 17:00`, with the days beside it. */
function whenOf({ date, to, time, end, set, opens, closes }: Draft, dayLabel: Props['dayLabel']): string {
  const days =
    date === undefined ? '' : to === undefined ? dayLabel(date) : `${dayLabel(date)} – ${dayLabel(to)}`;
  const clock = time === undefined ? '' : end === undefined ? time : `${time}–${end}`;
  const also = [
    set && say.setOn({ day: dayLabel(set) }),
    opens && say.opensOn({ day: dayLabel(opens) }),
    closes && closes !== date && say.closesOn({ day: dayLabel(closes) }),
  ];
  return [[days, clock].filter(Boolean).join(', '), ...also].filter(Boolean).join(' · ');
}

/** One thing that the schedule says: what it was read as, where from, what is asked, and what it stands beside. */
export function ScheduleLineRow({ line, course, dayLabel, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const set = (changes: Partial<Draft>) => onChange(corrected(line, changes));
  const stands =
    line.state === 'same'
      ? say.standsThere
      : line.replaces
        ? say.writesOver({ title: line.replaces })
        : say.beside({ titles: line.beside });
  return (
    <li
      className={styles.line}
      data-asks={line.takes && line.asks.length > 0}
      data-left={!line.takes || !plans(line)}
    >
      <input
        type="checkbox"
        className={styles.box}
        aria-label={say.take({ title: line.title || line.text })}
        checked={line.takes && plans(line) && line.kind !== 'times'}
        disabled={!plans(line) || line.kind === 'times'}
        onChange={(event) => onChange({ ...line, takes: event.target.checked })}
      />
      <span className="soft">{say.kinds[line.kind]}</span>
      <div>
        <div className={styles.what}>{line.title || line.text}</div>
        {plans(line) ? <div>{whenOf(line, dayLabel)}</div> : null}
        <div className={styles.from}>
          {line.text === line.title ? '' : `“${line.text}”`} {plans(line) ? stands : ''}
        </div>
      </div>
      <Button
        size="small"
        aria-expanded={open}
        aria-label={say.changeLine({ title: line.title || line.text })}
        onClick={() => setOpen(!open)}
      >
        {say.change}
      </Button>
      {line.kind === 'times' ? (
        <Link
          className={styles.asks}
          href={`/office-hours/new?times=${encodeURIComponent(line.text.slice(0, 300))}&course=${course.id}&term=${course.term}`}
          target="_blank"
        >
          {say.offerTimes}
        </Link>
      ) : null}
      {line.takes && plans(line)
        ? line.asks.map((ask) => (
            <div key={ask.field} className={styles.asks} role="group" aria-label={ask.question}>
              <b>{ask.question}</b>
              {ask.choices.map(({ label, value }) => (
                <Button
                  key={value}
                  size="small"
                  variant="outlined"
                  onClick={() => onChange(answered(line, ask, value))}
                >
                  {label}
                </Button>
              ))}
            </div>
          ))
        : null}
      {open ? (
        <div className={styles.edit}>
          <Select
            label={say.kind}
            value={line.kind}
            options={SCHEDULE_KINDS.filter((kind) => kind !== 'heading').map((value) => ({
              value,
              label: say.kinds[value],
            }))}
            onChange={(kind) => set({ kind, takes: kind !== 'nothing' && kind !== 'times' })}
          />
          <Field label={say.titleField} value={line.title} onChange={(title) => set({ title })} />
          <DayField label={say.day} value={line.date ?? ''} onChange={(date) => set({ date })} />
          {line.kind === 'closure' || line.kind === 'event' ? (
            <DayField
              label={say.lastDay}
              value={line.to ?? ''}
              onChange={(to) => set({ to: to || undefined })}
            />
          ) : null}
          {line.kind === 'due' || line.kind === 'event' ? (
            <Field
              label={say.time}
              value={line.time ?? ''}
              onChange={(time) => set({ time: time || undefined })}
            />
          ) : null}
          {line.kind === 'due' ? (
            <DayField
              label={say.setDay}
              value={line.set ?? ''}
              onChange={(day) => set({ set: day || undefined })}
            />
          ) : null}
        </div>
      ) : null}
    </li>
  );
}
