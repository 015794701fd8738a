'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { everythingTexts as say } from '@/core/texts/everything';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import { Ticks } from '../controls/Ticks';
import { useSubmit } from '../controls/useSubmit';
import type { DeskData } from '../plan/planItem';
import type { Desk } from '../plan/PlanDesk';
import styles from './Everything.module.css';
import type { EverythingRow } from './everythingView';

const UNITS = Object.entries(say.units).map(([value, label]) => ({ value, label }));
const SHOWN = Object.entries(say.showChoices).map(([value, label]) => ({ value, label }));
/** When the school's day begins: a day without a time is meant from then on. */
const MORNING = 'T08:00';

/** What can be done with all chosen entries at once, each act with one undo. */
export function BulkActs({
  picked,
  desk,
  courses,
  onDone,
}: {
  picked: readonly EverythingRow[];
  desk: Desk;
  courses: DeskData['courses'];
  onDone: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [by, setBy] = useState('1');
  const [unit, setUnit] = useState('days');
  const [shown, setShown] = useState('show');
  const [from, setFrom] = useState(picked[0]?.date ?? '');
  const [before, setBefore] = useState('7');
  const ids = [...new Set(picked.map((row) => row.entry!))];
  const act = async (what: keyof typeof say.did, more: object = {}, count = ids.length) => {
    const body = { ids, act: what, ...more };
    const answer = await submit('POST', '/api/entries/bulk', body, () => say.did[what]({ n: count }));
    if (answer.ok) onDone();
  };
  const [copying, setCopying] = useState(false);
  const [into, setInto] = useState<readonly string[]>([]);
  const [weeks, setWeeks] = useState('0');
  const copies = ids.length * into.length;
  const steps = Number(by);
  const move = () => {
    if (unit === 'meetings') return void act('moveMeetings', { meetings: steps });
    desk.move(picked, Temporal.PlainDate.from(picked[0]!.date).add({ days: steps }).toString());
    onDone();
  };
  const show = () => {
    if (shown === 'showFrom') return act('showFrom', { from: from + MORNING });
    if (shown === 'showBefore') return act('showBefore', { days: Number(before) });
    return act(shown === 'draft' ? 'draft' : 'show');
  };
  const wrong = message ?? errors.ids ?? errors.from ?? errors.days ?? errors.meetings ?? errors.courses;
  return (
    <div className={`notice ${styles.bulk}`} role="group" aria-label={say.chosen({ n: picked.length })}>
      <b>{say.chosen({ n: picked.length })}</b>
      <span className={styles.bulkAct}>
        <Field label={say.moveBy} value={by} onChange={setBy} width={70} />
        <Select label={say.moveUnit} value={unit} options={UNITS} onChange={setUnit} />
        <Button
          size="small"
          variant="outlined"
          disabled={busy || !Number.isInteger(steps) || steps === 0}
          onClick={move}
        >
          {say.move}
        </Button>
      </span>
      <span className={styles.bulkAct}>
        <Select label={say.students} value={shown} options={SHOWN} onChange={setShown} />
        {shown === 'showFrom' ? <DayField label={say.fromDay} value={from} onChange={setFrom} /> : null}
        {shown === 'showBefore' ? (
          <Field label={say.daysBefore} value={before} onChange={setBefore} width={70} />
        ) : null}
        <Button size="small" variant="outlined" disabled={busy} onClick={() => void show()}>
          {say.apply}
        </Button>
      </span>
      <span className={styles.bulkAct}>
        <Button size="small" variant="outlined" disabled={busy} onClick={() => void act('cancel')}>
          {say.cancel}
        </Button>
        <Button size="small" variant="outlined" disabled={busy} onClick={() => void act('delete')}>
          {say.remove}
        </Button>
        <Button size="small" variant="outlined" aria-expanded={copying} onClick={() => setCopying(!copying)}>
          {say.copyTo}
        </Button>
      </span>
      {copying ? (
        <span className={styles.bulkAct}>
          <Ticks
            legend={say.copyTo}
            options={courses.map(({ id, tag, title }) => ({ value: id, label: `${tag} ${title}` }))}
            ticked={into}
            onChange={setInto}
            inline
          />
          <Field label={say.weeksLater} value={weeks} onChange={setWeeks} width={110} />
          <Button
            size="small"
            variant="contained"
            disabled={busy || copies === 0 || !Number.isInteger(Number(weeks))}
            onClick={() => void act('copy', { courses: into, days: 7 * Number(weeks) }, copies)}
          >
            {say.copy({ n: copies })}
          </Button>
        </span>
      ) : null}
      {wrong ? <p role="alert">{wrong}</p> : null}
    </div>
  );
}
