'use client';
import type { ClassNumber } from '@/core/time/classNumber';
import { readClassNumber } from '@/core/time/classNumber';
import { entryTexts } from '@/core/texts/entries';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { classTexts } from '@/core/texts/classes';
import { scheduleTexts } from '@/core/texts/schedule';
import { historyTexts } from '@/core/texts/history';
import { Field } from '../controls/Field';
import { FileField } from '../controls/FileField';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { panelTexts } from '@/core/texts/term';
import styles from './EntryForm.module.css';
import type { PanelCourse } from './panelData';

type Preview = Readonly<{
  lines: readonly Readonly<{
    number: ClassNumber;
    title: string;
    days: readonly string[];
    replaces?: string;
  }>[];
  pinned: readonly ClassNumber[];
  left: readonly string[];
}>;

/** A list of topics put on the classes of a course; which topic meets which class is shown first. */
export function FillPanel({ courses, onDone }: { courses: readonly PanelCourse[]; onDone: () => void }) {
  const { submit, errors, message, busy } = useSubmit();
  const [course, setCourse] = useState(courses[0]?.id ?? '');
  const [list, setList] = useState('');
  const [from, setFrom] = useState('1');
  const [preview, setPreview] = useState<Preview>();
  const change = (act: () => void) => {
    setPreview(undefined);
    act();
  };
  const first = readClassNumber(from);
  const body = { list, from: first?.ordinal, strand: first?.strand };
  const look = async () => {
    const answer = await submit<Preview>('POST', `/api/courses/${course}/topics/preview`, body);
    if (answer.ok) setPreview(answer.value);
  };
  const save = async () => {
    const answer = await submit<{ planned: number }>(
      'POST',
      `/api/courses/${course}/topics`,
      body,
      ({ planned }) => historyTexts.filledClasses({ n: planned }),
    );
    if (answer.ok) onDone();
  };
  const ready = preview && preview.lines.length > 0;
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void (ready ? save() : look());
      }}
    >
      <p className="soft">{classTexts.fillLead}</p>
      <p>
        <Link className="lone" href={`/schedule?course=${course}`}>
          {scheduleTexts.open}
        </Link>
      </p>
      <div className={styles.row}>
        <Select
          label={panelTexts.courses}
          value={course}
          options={courses.map((c) => ({ value: c.id, label: `${c.tag} ${c.title}` }))}
          onChange={(id) => change(() => setCourse(id))}
        />
        <Field
          label={classTexts.fillFrom}
          value={from}
          onChange={(text) => change(() => setFrom(text))}
          error={first ? errors.from : classTexts.fillFromWhat}
        />
      </div>
      <Field
        label={classTexts.fillList}
        rows={8}
        value={list}
        onChange={(text) => change(() => setList(text))}
        error={errors.list}
        autoFocus
      />
      <FileField label={classTexts.fillFile} onText={(text) => change(() => setList(text))} />
      <div aria-live="polite">
        {preview ? (
          <div className="notice">
            <ol className={styles.preview}>
              {preview.lines.map((line) => (
                <li key={entryTexts.classMark(line.number)}>
                  <b>{line.title}</b>{' '}
                  <span className="soft">
                    {classTexts.fillLine(line.number, line.days.join(', '))}
                    {line.replaces ? ` ${classTexts.fillReplaces({ title: line.replaces })}` : ''}
                  </span>
                </li>
              ))}
            </ol>
            {preview.pinned.length > 0 ? <p>{classTexts.fillPinned(preview.pinned)}</p> : null}
            {preview.left.length > 0 ? <p>{classTexts.fillLeft({ n: preview.left.length })}</p> : null}
          </div>
        ) : null}
      </div>
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
      <div className={styles.buttons}>
        <Button
          type="submit"
          variant={ready ? 'contained' : 'outlined'}
          disabled={busy || list.trim() === ''}
        >
          {ready ? classTexts.fillSave({ n: preview.lines.length }) : classTexts.fillPreview}
        </Button>
        <Button variant="outlined" onClick={onDone}>
          {panelTexts.cancel}
        </Button>
      </div>
    </form>
  );
}
