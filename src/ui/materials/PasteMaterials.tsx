'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { MaterialKind } from '@/core/materials/material';
import { materialTexts as say } from '@/core/texts/materials';
import { Field } from '../controls/Field';
import { FileField } from '../controls/FileField';
import { useSubmit } from '../controls/useSubmit';
import styles from './Materials.module.css';

type Preview = Readonly<{
  /** With titles where an address stood alone and its page says one. */
  list: string;
  lines: readonly Readonly<{
    line: number;
    kind: MaterialKind;
    title: string;
    url: string;
    unit: string;
    state: 'new' | 'changed' | 'same';
  }>[];
  faults: readonly Readonly<{ line: number; message: string }>[];
}>;

/** A list of links brought into the outline; what it adds and changes is shown first. */
export function PasteMaterials({ course }: { course: string }) {
  const { submit, errors, message, busy } = useSubmit();
  const [list, setList] = useState('');
  const [preview, setPreview] = useState<Preview>();
  const take = (text: string) => {
    setPreview(undefined);
    setList(text);
  };
  const count = (state: string) => preview?.lines.filter((line) => line.state === state).length ?? 0;
  const ready = preview && preview.faults.length === 0 && count('new') + count('changed') > 0;
  const path = `/api/courses/${course}/materials`;
  const look = async () => {
    const answer = await submit<Preview>('POST', `${path}/preview`, { list });
    if (!answer.ok) return;
    setList(answer.value.list);
    setPreview(answer.value);
  };
  const bring = async () => {
    const answer = await submit<{ added: number; changed: number }>(
      'POST',
      `${path}/list`,
      { list },
      ({ added, changed }) => say.imported({ added, changed }),
    );
    if (answer.ok) take('');
  };
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void (ready ? bring() : look());
      }}
    >
      <p className="soft">{say.pasteLead}</p>
      <Field label={say.list} rows={6} value={list} onChange={take} error={errors.list} />
      <FileField label={say.file} onText={take} />
      <div aria-live="polite">
        {preview ? (
          <ul className={styles.preview}>
            {preview.faults.map((fault) => (
              <li key={fault.line} className={styles.fault}>
                {say.fault({ line: fault.line, message: fault.message })}
              </li>
            ))}
            {preview.lines.map((line) => (
              <li key={`${line.line} ${line.kind}`} data-kind={line.kind}>
                {line.title}{' '}
                <span className="soft">
                  {say.kinds[line.kind]} · {say.states[line.state]}
                </span>
              </li>
            ))}
          </ul>
        ) : null}
      </div>
      {message ? <p role="alert">{message}</p> : null}
      <div className={styles.buttons}>
        <Button
          type="submit"
          variant={ready ? 'contained' : 'outlined'}
          disabled={busy || list.trim() === ''}
        >
          {ready ? say.bring({ added: count('new'), changed: count('changed') }) : say.look}
        </Button>
      </div>
    </form>
  );
}
