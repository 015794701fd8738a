'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { everythingTexts as say } from '@/core/texts/everything';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import type { Desk } from '../plan/PlanDesk';
import styles from './Everything.module.css';
import type { EverythingRow } from './everythingView';

type Act = keyof typeof say.did;
const ACTS: readonly (readonly [Act, string])[] = [
  ['show', say.show],
  ['draft', say.hide],
  ['cancel', say.cancel],
  ['delete', say.remove],
];

/** What can be done with all chosen entries at once, each act with one undo. */
export function BulkActs({
  picked,
  desk,
  onDone,
}: {
  picked: readonly EverythingRow[];
  desk: Desk;
  onDone: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [days, setDays] = useState('1');
  const ids = [...new Set(picked.map((row) => row.entry!))];
  const act = async (what: Act) => {
    const answer = await submit('POST', '/api/entries/bulk', { ids, act: what }, () =>
      say.did[what](ids.length),
    );
    if (answer.ok) onDone();
  };
  const by = Number(days);
  const move = () => {
    desk.move(picked, Temporal.PlainDate.from(picked[0]!.date).add({ days: by }).toString());
    onDone();
  };
  return (
    <div className={`notice ${styles.bulk}`} role="group" aria-label={say.chosen(picked.length)}>
      <b>{say.chosen(picked.length)}</b>
      <Field label={say.moveBy} value={days} onChange={setDays} width={110} />
      <Button
        size="small"
        variant="outlined"
        disabled={busy || !Number.isInteger(by) || by === 0}
        onClick={move}
      >
        {say.move}
      </Button>
      {ACTS.map(([what, label]) => (
        <Button key={what} size="small" variant="outlined" disabled={busy} onClick={() => act(what)}>
          {label}
        </Button>
      ))}
      {message || errors.ids ? <p role="alert">{message ?? errors.ids}</p> : null}
    </div>
  );
}
