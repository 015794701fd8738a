'use client';
import { useState } from 'react';
import { awayTexts as say } from '@/core/texts/away';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import { DayField } from '../days/DayField';
import { FormBox } from '../school/FormBox';
import styles from '../school/School.module.css';

type Lines = Readonly<{ classes: readonly string[]; times: readonly string[]; holding: number }>;
type Days = Readonly<{ from: string; to: string }>;

/** Calls off one's own classes and times of some days; what that is stands there before. */
export function AwayForm({ name, start, lines }: { name: string; start: Days; lines: Lines }) {
  const { submit, errors, message, busy } = useSubmit();
  const [days, setDays] = useState(start);
  const [reason, setReason] = useState('');
  const [hits, setHits] = useState<Lines | undefined>(lines);
  const look = async (next: Days) => {
    setDays(next);
    setHits(undefined);
    if (next.from === '' || next.to === '') return;
    const answer = await callApi<Lines>('POST', '/api/away/hits', next);
    setHits(answer.ok ? answer.value : undefined);
  };
  const call = async () => {
    const answer = await submit<{ classes: number; times: number }>(
      'POST',
      '/api/away',
      { ...days, reason },
      (done) => say.done(done.classes, done.times),
    );
    if (answer.ok) await look(days);
  };
  const none = hits !== undefined && hits.classes.length + hits.times.length === 0;
  return (
    <FormBox
      action={hits && !none ? say.act(hits.classes.length, hits.times.length) : say.actNone}
      onSubmit={call}
      message={message}
      disabled={busy}
    >
      <div className={styles.row}>
        <DayField
          label={say.from}
          value={days.from}
          onChange={(from) => void look({ from, to: days.to < from ? from : days.to })}
          error={errors.from}
        />
        <DayField
          label={say.to}
          value={days.to}
          onChange={(to) => void look({ ...days, to })}
          error={errors.to}
        />
      </div>
      <Field
        label={say.reason}
        hint={say.reasonHint(name)}
        value={reason}
        onChange={setReason}
        error={errors.reason}
      />
      <div className="notice" aria-live="polite">
        {none ? say.nothing : null}
        {hits && !none ? (
          <ul>
            {[...hits.classes, ...hits.times].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        ) : null}
        {hits && hits.holding > 0 ? <p>{say.holding(hits.holding)}</p> : null}
      </div>
    </FormBox>
  );
}
