'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { rosterTexts as say } from '@/core/texts/roster';
import { Select } from '../controls/Select';
import { UploadField } from '../controls/UploadField';
import { useSubmit } from '../controls/useSubmit';
import styles from './School.module.css';

type Line = Readonly<{ state: 'new' | 'changed' | 'same'; name: string; section: string; was: string }>;
type Preview = Readonly<{
  classes: readonly Readonly<{ id: string; name: string; students: number; section?: string }>[];
  lines: readonly Line[];
  left: readonly string[];
  faults: readonly string[];
}>;

/** A roster out of the school's own system; which class is which section, and what it changes, is seen first. */
export function RosterPackage({
  course,
  sections,
}: {
  course: string;
  sections: readonly Readonly<{ id: string; name: string }>[];
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [file, setFile] = useState<string>();
  const [preview, setPreview] = useState<Preview>();
  const path = `/api/courses/${course}/roster/package`;
  const chosen = Object.fromEntries(
    (preview?.classes ?? []).flatMap(({ id, section }) => (section ? [[id, section]] : [])),
  );
  const look = async (id: string | undefined, asked?: Readonly<Record<string, string>>) => {
    setFile(id);
    if (id === undefined) return setPreview(undefined);
    const answer = await submit<Preview>('POST', `${path}/preview`, { file: id, sections: asked });
    setPreview(answer.ok ? answer.value : undefined);
  };
  const take = async () => {
    const body = { file, sections: chosen };
    const answer = await submit<{ added: number; changed: number }>('POST', path, body, (done) =>
      say.imported({ added: done.added, changed: done.changed }),
    );
    if (answer.ok) await look(file, chosen);
  };
  const choose = (id: string, section: string) => {
    const { [id]: _, ...others } = chosen;
    void look(file, section ? { ...others, [id]: section } : others);
  };
  const count = (state: Line['state']) => preview?.lines.filter((line) => line.state === state).length ?? 0;
  const counts = { new: count('new'), changed: count('changed'), same: count('same') };
  return (
    <details>
      <summary>{say.title}</summary>
      <div className={styles.form}>
        <p className="soft">{say.lead}</p>
        <UploadField
          label={say.file}
          as="package"
          accept=".zip,application/zip"
          error={errors.file ?? message}
          onFile={(sent) => void look(sent?.id)}
        />
        {preview ? (
          <>
            <h3>{say.classes}</h3>
            {preview.classes.map(({ id, name, students, section }) => (
              <Select
                key={id}
                label={say.classLabel({ name, students })}
                value={section ?? ''}
                options={[
                  { value: '', label: say.leaveOut },
                  ...sections.map((s) => ({ value: s.id, label: s.name })),
                ]}
                onChange={(to) => choose(id, to)}
              />
            ))}
            <p role="status">{say.counts(counts)}</p>
            <ul className={styles.rosterLines}>
              {preview.lines
                .filter(({ state }) => state !== 'same')
                .map((line, i) => (
                  <li key={i}>
                    <span className="soft">{say.states[line.state]}</span> {line.name}{' '}
                    <span className="soft">
                      {[line.section, line.was && say.from({ section: line.was })]
                        .filter(Boolean)
                        .join(' · ')}
                    </span>
                  </li>
                ))}
            </ul>
            {preview.left.length > 0 ? (
              <div className="notice">
                <p>{say.left({ n: preview.left.length })}</p>
                <p>{preview.left.join(', ')}</p>
              </div>
            ) : null}
            {preview.faults.length > 0 ? (
              <div className="notice">
                <p>{say.faults({ n: preview.faults.length })}</p>
                <ul>
                  {preview.faults.slice(0, 50).map((fault) => (
                    <li key={fault}>{fault}</li>
                  ))}
                </ul>
              </div>
            ) : null}
            {counts.new + counts.changed === 0 ? (
              <p className="notice">{say.nothing}</p>
            ) : (
              <div>
                <Button variant="contained" disabled={busy} onClick={() => void take()}>
                  {say.take(counts.new, counts.changed)}
                </Button>
              </div>
            )}
          </>
        ) : null}
      </div>
    </details>
  );
}
