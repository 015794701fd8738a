'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { CalendarInputJson } from '@/core/outside/calendarInput';
import { historyTexts } from '@/core/texts/history';
import { outsideTexts as say } from '@/core/texts/outside';
import { Field } from '../controls/Field';
import { UploadField } from '../controls/UploadField';
import { useSubmit } from '../controls/useSubmit';
import { ClosesFields, closesDraft, closesFrom } from './ClosesFields';
import styles from './Outside.module.css';
import { OutsideDates } from './OutsideDates';
import type { OutsidePreview } from './outsideView';
import { SeenByChoice } from './SeenByChoice';
import { Troubles } from './Troubles';

type Place = Readonly<{ id: string; term: string; name: string }>;

/** A calendar is added by its address or as a file; what is in it, and what its closures hit, is seen first. */
export function AddCalendar({
  courses,
  terms,
  whole,
}: {
  courses: readonly Place[];
  terms: readonly Readonly<{ id: string; name: string }>[];
  /** Whether it may stand beside a whole term. */
  whole: boolean;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [url, setUrl] = useState('');
  const [file, setFile] = useState<Readonly<{ id: string; name: string }>>();
  const [ticked, setTicked] = useState<readonly string[]>(courses.slice(0, 1).map(({ id }) => id));
  const [wholeOf, setWholeOf] = useState(courses.length === 0 ? (terms[0]?.id ?? '') : '');
  const [closes, setCloses] = useState(closesDraft({ kind: 'none' }));
  const [seenBy, setSeenBy] = useState<'everyone' | 'staff'>('everyone');
  const [typedName, setTypedName] = useState<string>();
  const [preview, setPreview] = useState<OutsidePreview>();

  const name = typedName ?? preview?.name ?? '';
  const term = wholeOf || courses.find(({ id }) => ticked.includes(id))?.term || '';
  const look = {
    ...(file ? { file: file.id } : { url }),
    term,
    courses: wholeOf ? undefined : [...ticked],
    closes: closesFrom(closes),
  };
  const anew =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      set(value);
      setPreview(undefined);
    };
  const show = async () => {
    const answer = await submit<OutsidePreview>('POST', '/api/calendars/preview', look);
    setPreview(answer.ok ? answer.value : undefined);
  };
  const add = async () => {
    const input = { ...look, name, seenBy } as CalendarInputJson;
    const answer = await submit<{ name: string }>('POST', '/api/calendars', input, (made) =>
      historyTexts.addedCalendar({ name: made.name }),
    );
    if (!answer.ok) return;
    setUrl('');
    setFile(undefined);
    setTypedName(undefined);
    setPreview(undefined);
  };
  return (
    <form
      className={`card ${styles.form}`}
      aria-labelledby="add-calendar"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void (preview ? add() : show());
      }}
    >
      <h2 id="add-calendar">{say.add}</h2>
      {file ? null : (
        <Field
          label={say.address}
          hint={say.addressHint}
          value={url}
          onChange={anew(setUrl)}
          error={errors.url}
        />
      )}
      <UploadField
        label={say.file}
        as="calendar"
        accept=".ics,text/calendar"
        error={errors.file}
        onFile={anew(setFile)}
      />
      <fieldset className={styles.ticks}>
        <legend>{say.beside}</legend>
        {courses.map((course) => (
          <FormControlLabel
            key={course.id}
            disabled={wholeOf !== ''}
            control={
              <Checkbox
                checked={ticked.includes(course.id)}
                onChange={() =>
                  anew(setTicked)(
                    ticked.includes(course.id)
                      ? ticked.filter((id) => id !== course.id)
                      : // A calendar stands beside courses of one term.
                        [
                          ...ticked.filter((id) => courses.find((c) => c.id === id)?.term === course.term),
                          course.id,
                        ],
                  )
                }
              />
            }
            label={course.name}
          />
        ))}
        {whole
          ? terms.map((t) => (
              <FormControlLabel
                key={t.id}
                control={
                  <Checkbox
                    checked={wholeOf === t.id}
                    onChange={() => anew(setWholeOf)(wholeOf === t.id ? '' : t.id)}
                  />
                }
                label={say.wholeTerm({ term: t.name })}
              />
            ))
          : null}
        {errors.courses ? <p className={styles.error}>{errors.courses}</p> : null}
      </fieldset>
      <ClosesFields
        value={closes}
        onChange={anew(setCloses)}
        error={errors['closes.words'] ?? errors['closes.words.0']}
      />
      <div aria-live="polite">
        {preview ? (
          <div className={styles.preview}>
            <h3>{say.found({ n: preview.count })}</h3>
            <OutsideDates dates={preview.dates} more={preview.count - preview.dates.length} />
            {closes.kind === 'none' ? null : (
              <div className="notice">
                <p>{say.closuresFound({ n: preview.closures.length })}</p>
                <ul>
                  {[...preview.closures, ...preview.hits].map((text) => (
                    <li key={text}>{text}</li>
                  ))}
                </ul>
              </div>
            )}
            <Troubles title={say.skipped({ n: preview.skippedCount })} lines={preview.skipped} />
            <Troubles title={say.warned({ n: preview.warnedCount })} lines={preview.warned} />
            <Field label={say.name} value={name} onChange={setTypedName} error={errors.name} />
            <SeenByChoice value={seenBy} onChange={setSeenBy} />
          </div>
        ) : null}
      </div>
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <Button
        type="submit"
        variant={preview ? 'contained' : 'outlined'}
        disabled={busy || (url === '' && !file)}
      >
        {preview ? say.addNow({ name }) : say.look}
      </Button>
    </form>
  );
}
