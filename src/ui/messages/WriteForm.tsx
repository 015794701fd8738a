'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Condition } from '@/core/messages/messageInput';
import { messageTexts as say } from '@/core/texts/messages';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useKept } from '../controls/useKept';
import { useSubmit } from '../controls/useSubmit';
import { AudienceFields } from '../entries/AudienceFields';
import type { CourseChoice } from '../entries/entryDraft';
import { EVERYONE } from '../entries/entryDraft';
import type { PanelCourse } from '../entries/panelData';
import styles from './WriteForm.module.css';

type Preview = Readonly<{ count: number; audience: string; names: readonly string[] }>;
type Written = Readonly<{ subject: string; text: string }>;

const ALWAYS: readonly Condition[] = [
  { kind: 'everyone' },
  { kind: 'withoutTime', within: 'thisWeek' },
  { kind: 'withoutTime', within: 'nextWeek' },
  { kind: 'withoutTime', within: 'term' },
  { kind: 'withTime', within: 'thisWeek' },
  { kind: 'notHere' },
];
const OF_EVENT: readonly Condition[] = [{ kind: 'notReplied' }, { kind: 'coming' }];

const keyOf = (condition: Condition) =>
  'within' in condition ? `${condition.kind} ${condition.within}` : condition.kind;
const some = (list: readonly string[]) => (list.length > 0 ? list : undefined);
/** So many names stand there; the others are counted. */
const NAMED = 30;

/** A letter to the students of a course, or to some of them by a condition: looked at by name before it goes. */
export function WriteForm({
  courses,
  course: first,
  entry,
}: {
  courses: readonly PanelCourse[];
  course: string;
  /** What it is about. */
  entry?: Readonly<{
    id: string;
    asks: boolean;
    /** Whom it is for, by course. */
    audiences: Readonly<Record<string, CourseChoice>>;
  }>;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [id, setId] = useState(first);
  const [choice, setChoice] = useState<CourseChoice | undefined>(entry?.audiences[first] ?? EVERYONE);
  const [narrowed, setNarrowed] = useState('everyone');
  const [written, keepWritten] = useKept<Written>(`write ${entry?.id ?? ''}`, { subject: '', text: '' });
  const [preview, setPreview] = useState<Preview>();
  const course = courses.find((one) => one.id === id) ?? courses[0]!;
  const conditions = entry?.asks ? [...ALWAYS, ...OF_EVENT] : ALWAYS;
  const whom = {
    sections: some(choice?.sections ?? []),
    groups: some(choice?.groups ?? []),
    people: some(choice?.people ?? []),
    condition: conditions.find((one) => keyOf(one) === narrowed),
    entry: entry?.id,
  };
  /** Whom it reaches is looked at anew. */
  const change = (act: () => void) => {
    setPreview(undefined);
    act();
  };
  const look = async () => {
    const answer = await submit<Preview>('POST', `/api/courses/${id}/messages/preview`, whom);
    if (answer.ok) setPreview(answer.value);
  };
  const send = async () => {
    const { subject } = written;
    const answer = await submit<{ told: number }>(
      'POST',
      `/api/courses/${id}/messages`,
      { ...whom, ...written },
      ({ told }) => say.wrote({ n: told, subject }),
    );
    if (!answer.ok) return;
    setPreview(undefined);
    keepWritten(undefined);
  };
  const ready = preview !== undefined && preview.count > 0;
  return (
    <form
      className={`card ${styles.form}`}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void (ready ? send() : look());
      }}
    >
      {courses.length > 1 ? (
        <Select
          label={say.course}
          value={id}
          options={courses.map((one) => ({ value: one.id, label: `${one.tag} ${one.title}` }))}
          onChange={(next) =>
            change(() => {
              setId(next);
              setChoice(entry?.audiences[next] ?? EVERYONE);
            })
          }
        />
      ) : null}
      <AudienceFields
        courses={[course]}
        chosen={choice ? { [course.id]: choice } : {}}
        onChange={(chosen) => change(() => setChoice(chosen[course.id]))}
        error={choice ? undefined : say.chooseSome}
      />
      <Select
        label={say.narrowedTo}
        value={narrowed}
        options={conditions.map((one) => ({ value: keyOf(one), label: say.condition(one) || say.everyone }))}
        onChange={(next) => change(() => setNarrowed(next))}
        error={errors.condition}
      />
      <Field
        label={say.subject}
        value={written.subject}
        onChange={(subject) => keepWritten({ ...written, subject })}
        error={errors.subject}
      />
      <Field
        label={say.text}
        rows={8}
        value={written.text}
        onChange={(text) => keepWritten({ ...written, text })}
        error={errors.text}
      />
      <div aria-live="polite">
        {preview ? (
          <div className="notice">
            {preview.count === 0 ? (
              <p>{say.nobody}</p>
            ) : (
              <>
                <p>
                  {say.reaches({ n: preview.count })} {preview.audience}
                </p>
                <p className="soft">
                  {preview.names.slice(0, NAMED).join(', ')}{' '}
                  {preview.count > NAMED ? say.more({ n: preview.count - NAMED }) : ''}
                </p>
              </>
            )}
          </div>
        ) : null}
      </div>
      {message ? <p role="alert">{message}</p> : null}
      <div className={styles.buttons}>
        <Button type="submit" variant={ready ? 'contained' : 'outlined'} disabled={busy || !choice}>
          {ready ? say.send({ n: preview.count }) : say.look}
        </Button>
      </div>
    </form>
  );
}
