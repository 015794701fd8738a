'use client';
import { useState } from 'react';
import { awayTexts as say } from '@/core/texts/away';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import { DayField } from '../days/DayField';
import { Ticks } from '../controls/Ticks';
import { FormBox } from '../school/FormBox';
import styles from '../school/School.module.css';

type Lines = Readonly<{ classes: readonly string[]; times: readonly string[]; holding: number }>;
type Days = Readonly<{ from: string; to: string }>;

/** Calls off one's own classes and times of some days; what that is stands there before. */
export function AwayForm({
  name,
  start,
  courses,
  lines,
}: {
  name: string;
  start: Days;
  /** Whose classes one may call off; those that a colleague leads are not ticked. */
  courses: readonly Readonly<{ id: string; name: string; own: boolean }>[];
  lines: Lines;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [days, setDays] = useState(start);
  const [ticked, setTicked] = useState<readonly string[]>(
    courses.filter(({ own }) => own).map(({ id }) => id),
  );
  const [reason, setReason] = useState('');
  const [hits, setHits] = useState<Lines | undefined>(lines);
  const look = async (next: Days, whose = ticked) => {
    setDays(next);
    setTicked(whose);
    setHits(undefined);
    if (next.from === '' || next.to === '') return;
    const answer = await callApi<Lines>('POST', '/api/away/hits', { ...next, courses: whose });
    setHits(answer.ok ? answer.value : undefined);
  };
  const call = async () => {
    const answer = await submit<{ classes: number; times: number }>(
      'POST',
      '/api/away',
      { ...days, courses: ticked, reason },
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
        hint={say.reasonHint({ name })}
        value={reason}
        onChange={setReason}
        error={errors.reason}
      />
      {courses.length > 1 ? (
        <Ticks
          legend={say.courses}
          options={courses.map((course) => ({ value: course.id, label: course.name }))}
          ticked={ticked}
          onChange={(whose) => void look(days, whose)}
        />
      ) : null}
      <div className="notice" aria-live="polite">
        {none ? say.nothing : null}
        {hits && !none ? (
          <ul>
            {[...hits.classes, ...hits.times].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        ) : null}
        {hits && hits.holding > 0 ? <p>{say.holding({ n: hits.holding })}</p> : null}
      </div>
    </FormBox>
  );
}
