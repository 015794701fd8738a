'use client';
import type { ClassNumber, Strand } from '@/core/time/classNumber';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { entryTexts } from '@/core/texts/entries';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { MergeSection } from './MergeSection';
import { SectionFrame } from './SectionFrame';
import styles from './School.module.css';
import { useAct, useSubmit } from '../controls/useSubmit';

export type MeetingLine = Readonly<{
  id: string;
  number: ClassNumber;
  when: string;
  date: string;
  /** Empty, as the end, of one that stands for a teaching week. */
  start: string;
  end: string;
  /** Its own place, where it has one. */
  place?: string;
  /** Of one outside of the pattern: by which it is taken away. */
  extra?: string;
  moved: boolean;
  cancelled?: string;
}>;
export type SectionView = Readonly<{
  id: string;
  name: string;
  /** Its week as it is typed. */
  typed: string;
  firstDay: string;
  lastDay: string;
  /** Its own days in words. */
  days: string;
  students: string;
  /** How many classes, labs and so on it has, in words. */
  count: string;
  /** What counts apart from its classes. */
  strands: readonly Exclude<Strand, 'week'>[];
  meetings: readonly MeetingLine[];
}>;

/** One section: when it meets, and each of its classes, which can be moved or called off singly. */
export function SectionCard({
  section,
  others,
  today,
}: {
  section: SectionView;
  /** The other sections of its course. */
  others: readonly Readonly<{ id: string; name: string }>[];
  today: string;
}) {
  const [open, setOpen] = useState<string>();
  const { act } = useAct();
  const takeAway = (extra: string, when: string) =>
    act('DELETE', `/api/sections/${section.id}/classes/${extra}`, undefined, () =>
      frameHistoryTexts.removedClass({ name: section.name, day: when }),
    );
  return (
    <section className={`card ${styles.section}`} aria-label={`${courseTexts.sectionOf} ${section.name}`}>
      <h2>
        {courseTexts.sectionOf} {section.name}
      </h2>
      <p>
        {section.typed || courseTexts.doesNotMeet} {section.days}{' '}
        <span className="soft">
          · {section.count} · {section.students}
        </span>
      </p>
      <SectionFrame section={section} today={today} />
      {others.length > 0 ? <MergeSection section={section} others={others} /> : null}
      <ol className={styles.classes}>
        {section.meetings.map((meeting) => (
          <li key={meeting.id}>
            <b className={styles.number}>{entryTexts.classMark(meeting.number)}</b>
            <span className={meeting.cancelled === undefined ? undefined : styles.off}>{meeting.when}</span>
            {meeting.place ? <span className="soft">{meeting.place}</span> : null}
            {meeting.extra ? <span className="soft">{courseTexts.added}</span> : null}
            {meeting.moved ? <span className="soft">{courseTexts.moved}</span> : null}
            {meeting.cancelled ? <span className="soft">{meeting.cancelled}</span> : null}
            {meeting.start ? (
              <Button
                size="small"
                aria-label={courseTexts.changeClass(meeting.number)}
                onClick={() => setOpen(open === meeting.id ? undefined : meeting.id)}
              >
                {courseTexts.change}
              </Button>
            ) : null}
            {meeting.extra ? (
              <Button
                size="small"
                aria-label={courseTexts.takeAwayClass(meeting.number)}
                onClick={() => takeAway(meeting.extra!, meeting.when)}
              >
                {courseTexts.takeAway}
              </Button>
            ) : null}
          </li>
        ))}
      </ol>
      {section.meetings.map((meeting) =>
        meeting.id === open ? (
          <MeetingForm key={meeting.id} meeting={meeting} onDone={() => setOpen(undefined)} />
        ) : null,
      )}
    </section>
  );
}

function MeetingForm({ meeting, onDone }: { meeting: MeetingLine; onDone: () => void }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    date: meeting.date,
    start: meeting.start,
    end: meeting.end,
    place: meeting.place ?? '',
    reason: meeting.cancelled ?? '',
  });
  const field = (key: keyof typeof value) => ({
    value: value[key],
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error: errors[key],
  });
  const title = entryTexts.classTitle(meeting.number);
  const act = async (body: object, said: string) => {
    const answer = await submit('PUT', `/api/meetings/${meeting.id}`, body, () => said);
    if (answer.ok) onDone();
  };
  const { date, start, end, place, reason } = value;
  return (
    <div className={styles.form} role="group" aria-label={courseTexts.changeClass(meeting.number)}>
      <h3>
        {title}, {meeting.when}
      </h3>
      <div className={styles.row}>
        <DayField label={courseTexts.day} {...field('date')} />
        <div className={styles.row}>
          <Field label={courseTexts.start} type="time" {...field('start')} />
          <Field label={courseTexts.end} type="time" {...field('end')} />
        </div>
      </div>
      <Field label={courseTexts.room} hint={courseTexts.roomHint} {...field('place')} />
      <Field label={courseTexts.reason} {...field('reason')} />
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <div className={styles.buttons}>
        <Button
          variant="contained"
          disabled={busy}
          onClick={() =>
            act({ act: 'move', date, start, end, place }, frameHistoryTexts.movedClass({ title, when: date }))
          }
        >
          {courseTexts.saveMove}
        </Button>
        {meeting.cancelled === undefined ? (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => act({ act: 'cancel', reason }, frameHistoryTexts.cancelledClass({ title }))}
          >
            {courseTexts.saveCancel}
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => act({ act: 'restore' }, frameHistoryTexts.restoredClass({ title }))}
          >
            {courseTexts.restore}
          </Button>
        )}
      </div>
    </div>
  );
}
