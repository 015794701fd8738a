'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { entryTexts } from '@/core/texts/entries';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { panelTexts } from '@/core/texts/term';
import { dateLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { useKept } from '../controls/useKept';
import { Blank } from './Blank';
import styles from './NewSheet.module.css';
import type { SheetDraft } from './sheetDraft';
import { previewSheet } from './sheetDraft';

export type SheetCourse = Readonly<{ id: string; tag: string; title: string; students: number; zone: Zone }>;
type Props = Readonly<{
  courses: readonly SheetCourse[];
  today: string;
  /** What Pembit's clock shows, in epoch milliseconds: the browser's own may be another. */
  nowMs: number;
}>;

const { sentence, fields } = signupTexts;

/** A sentence whose parts are the controls; at the right what students will get. */
export function NewSheet({ courses, today, nowMs }: Props) {
  const router = useRouter();
  const say = useMessages();
  const initial = useMemo<SheetDraft>(
    () => ({
      title: signupTexts.title, course: courses[0]?.id ?? '', day: today, start: '12:00', end: '14:00', length: '25', gap: '5',
      seats: '1', timesPerStudent: '1', place: '', meetingLink: '',
    }),
    [courses, today],
  ); // prettier-ignore
  const [draft, keep] = useKept<SheetDraft>('sheet', initial);
  const [tried, setTried] = useState(false);
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);

  const course = courses.find((c) => c.id === draft.course) ?? courses[0];
  const now = useMemo(() => Temporal.Instant.fromEpochMilliseconds(nowMs), [nowMs]);
  if (!course) return null;
  const preview = previewSheet(draft, course.zone, now);
  const set = (field: keyof SheetDraft) => ({
    value: draft[field],
    onChange: (value: string) => keep({ ...draft, [field]: value }),
    // An error in the stretch itself is shown at once: the preview hangs on it.
    error: tried || field === 'end' || field === 'start' ? preview.errors[field] : undefined,
  });

  const offer = async (offered: boolean) => {
    setTried(true);
    if (!preview.input) return;
    setBusy(true);
    const answer = await callApi<{ times: number; title: string }>('POST', '/api/sheets', {
      ...preview.input,
      offered,
    });
    setBusy(false);
    if (!answer.ok) return setMessage([answer.message, ...Object.values(answer.fields)].join(' '));
    keep(undefined);
    const { times, title } = answer.value;
    say(offered ? historyTexts.offered(times, title) : historyTexts.draftSheet(title), answer.history);
    router.push('/office-hours');
    router.refresh();
  };
  const count = preview.times.length;

  return (
    <form
      className={styles.page}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void offer(true);
      }}
    >
      <div className={`card ${styles.sentence}`}>
        {sentence.offer} <Blank label={fields.title} wide {...set('title')} /> {sentence.for}{' '}
        <select
          className={styles.blank}
          aria-label={fields.course}
          value={course.id}
          onChange={(e) => keep({ ...draft, course: e.target.value })}
        >
          {courses.map((c) => (
            <option key={c.id} value={c.id}>
              {c.tag} {c.title}
            </option>
          ))}
        </select>{' '}
        {sentence.on} <Blank label={fields.day} type="date" {...set('day')} /> {sentence.from}{' '}
        <Blank label={fields.start} {...set('start')} /> {sentence.to}{' '}
        <Blank label={fields.end} {...set('end')} /> {sentence.inTimesOf}{' '}
        <Blank label={fields.length} number {...set('length')} /> {signupTexts.minutes} {sentence.gapOf}{' '}
        <Blank label={fields.gap} number {...set('gap')} /> {signupTexts.minutes}. {sentence.each}{' '}
        <Blank label={fields.seats} number {...set('seats')} />{' '}
        {draft.seats.trim() === '1' ? sentence.person : sentence.people}. {sentence.mayHold}{' '}
        <Blank label={fields.perStudent} number {...set('timesPerStudent')} />{' '}
        {draft.timesPerStudent.trim() === '1' ? sentence.timeAtMost : sentence.timesAtMost}. {sentence.meetAt}{' '}
        <Blank label={fields.place} wide {...set('place')} /> {sentence.orAt}{' '}
        <Blank label={fields.link} wide {...set('meetingLink')} />.
        {preview.readings.length > 0 ? (
          <div className={styles.readings} role="group" aria-label={panelTexts.errors.which}>
            {preview.readings.map(({ start, end }) => (
              <Button
                key={start}
                size="small"
                variant="outlined"
                onClick={() => keep({ ...draft, start, end })}
              >
                {start}–{end}
              </Button>
            ))}
          </div>
        ) : null}
      </div>
      <aside className="card" aria-labelledby="get">
        <h2 id="get">{signupTexts.get}</h2>
        <div aria-live="polite">
          <p>
            <span className={styles.count}>{count}</span> {signupTexts.times(count)}{' '}
            {draft.day && !preview.errors.day
              ? signupTexts.onDay(dateLabel(Temporal.PlainDate.from(draft.day)))
              : ''}
          </p>
          {count === 0 ? (
            <p className="soft">{signupTexts.none}</p>
          ) : (
            <p className="soft">
              {signupTexts.meetMinutes(preview.meetMinutes, preview.stretchMinutes)} ·{' '}
              {preview.remainderMinutes > 0
                ? signupTexts.remainder(preview.remainderMinutes)
                : signupTexts.noRemainder}
            </p>
          )}
          {preview.past > 0 ? <p className="notice">{signupTexts.pastSkipped(preview.past)}</p> : null}
        </div>
        <ol className={styles.times}>
          {preview.times.map((time) => (
            <li key={time}>{time}</li>
          ))}
        </ol>
        <p className={styles.who}>
          <b>{panelTexts.whoSees}: </b>
          {entryTexts.everyoneIn(course.tag, course.students)}
        </p>
        <p role="alert" className={styles.error}>
          {message}
        </p>
        <div className={styles.buttons}>
          <Button type="submit" variant="contained" disabled={busy || count === 0}>
            {signupTexts.offerTo(count, entryTexts.students(course.students))}
          </Button>
          <Button variant="outlined" disabled={busy || count === 0} onClick={() => offer(false)}>
            {signupTexts.keepDraft}
          </Button>
        </div>
      </aside>
    </form>
  );
}
