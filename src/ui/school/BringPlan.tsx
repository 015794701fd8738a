'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { planFileTexts as say } from '@/core/texts/planFiles';
import { Select } from '../controls/Select';
import { UploadField } from '../controls/UploadField';
import { useSubmit } from '../controls/useSubmit';
import styles from './School.module.css';

type Preview = Readonly<{
  term: Readonly<{ name: string; from: string; to: string; zone: string }>;
  termHere: boolean;
  courses: readonly Readonly<{ id: string; code: string; title: string; classes: number; planned: number }>[];
  problems: readonly string[];
}>;

/** Courses out of a plan package; what it holds is seen first. */
export function BringPlan({ people }: { people: readonly Readonly<{ id: string; name: string }>[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const [file, setFile] = useState<string>();
  const [preview, setPreview] = useState<Preview>();
  const [instructor, setInstructor] = useState(people[0]?.id ?? '');
  const look = async (id: string | undefined) => {
    setFile(id);
    setPreview(undefined);
    if (id === undefined) return;
    const answer = await submit<Preview>('POST', '/api/plans/preview', { file: id });
    if (answer.ok) setPreview(answer.value);
  };
  const bring = async () => {
    const answer = await submit<{ courses: number; term: string }>(
      'POST',
      '/api/plans',
      { file, instructor },
      (done) => say.brought({ courses: done.courses, term: done.term }),
    );
    if (answer.ok) setPreview(undefined);
  };
  return (
    <details>
      <summary>{say.bringTitle}</summary>
      <div className={styles.form}>
        <p className="soft">{say.bringLead}</p>
        <UploadField
          label={say.choose}
          as="package"
          accept=".zip,application/zip"
          error={errors.file ?? errors.instructor ?? message}
          onFile={(sent) => void look(sent?.id)}
        />
        {preview ? (
          <>
            <p role="status">
              {preview.termHere
                ? say.intoTerm({ term: preview.term.name })
                : say.newTerm({
                    term: preview.term.name,
                    from: preview.term.from,
                    to: preview.term.to,
                    zone: preview.term.zone,
                  })}
            </p>
            <ul className={styles.list}>
              {preview.courses.map(({ id, code, title, classes, planned }) => (
                <li key={id}>{say.course({ code, title, classes, planned })}</li>
              ))}
            </ul>
            {preview.problems.length > 0 ? (
              <div className="notice">
                {preview.problems.map((problem) => (
                  <p key={problem}>{problem}</p>
                ))}
              </div>
            ) : (
              <>
                <Select
                  label={say.instructor}
                  value={instructor}
                  options={people.map(({ id, name }) => ({ value: id, label: name }))}
                  onChange={setInstructor}
                />
                <div>
                  <Button variant="contained" disabled={busy} onClick={() => void bring()}>
                    {say.bring({ n: preview.courses.length })}
                  </Button>
                </div>
              </>
            )}
          </>
        ) : null}
      </div>
    </details>
  );
}
