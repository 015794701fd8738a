'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { importTexts as say } from '@/core/texts/imports';
import { zoneWords } from '@/core/time/zoneWords';
import { Select } from '../controls/Select';
import { UploadField } from '../controls/UploadField';
import { useSubmit } from '../controls/useSubmit';
import { Tick } from '../controls/Ticks';
import type { ImportLineView } from './importView';
import styles from './Outside.module.css';

/** A calendar file becomes entries of a course; what is new, changed, the same or left out is seen first. */
export function ImportFile({
  courses,
}: {
  courses: readonly Readonly<{ id: string; name: string; zone: string }>[];
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [course, setCourse] = useState(courses[0]?.id ?? '');
  const [file, setFile] = useState<string>();
  const [draft, setDraft] = useState(false);
  const [lines, setLines] = useState<readonly ImportLineView[]>();
  const zone = courses.find(({ id }) => id === course)?.zone;
  const path = `/api/courses/${course}/calendar`;
  const count = (state: ImportLineView['state']) => lines?.filter((line) => line.state === state).length ?? 0;
  const counts = { new: count('new'), changed: count('changed'), same: count('same'), left: count('left') };

  const look = async (id: string, into: string) => {
    const answer = await submit<ImportLineView[]>('POST', `/api/courses/${into}/calendar/preview`, {
      file: id,
    });
    setLines(answer.ok ? answer.value : undefined);
  };
  const choose = (sent: Readonly<{ id: string }> | undefined) => {
    setLines(undefined);
    setFile(sent?.id);
    if (sent) void look(sent.id, course);
  };
  const bring = async () => {
    const answer = await submit<{ added: number; changed: number }>('POST', path, { file, draft }, (done) =>
      say.imported({ added: done.added, changed: done.changed }),
    );
    if (answer.ok && file) await look(file, course);
  };
  return (
    <section className={`card ${styles.form}`} aria-labelledby="import">
      <h2 id="import">{say.title}</h2>
      <p className="soft">{say.lead}</p>
      <Select
        label={say.course}
        value={course}
        options={courses.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          setCourse(id);
          if (file) void look(file, id);
        }}
      />
      <UploadField
        label={say.file}
        as="calendar"
        accept=".ics,text/calendar"
        error={errors.file ?? message}
        onFile={choose}
      />
      {lines ? (
        <>
          <p role="status">{say.counts(counts)}</p>
          {zone ? <p className="soft">{say.clocks({ zone: zoneWords(zone) })}</p> : null}
          <ul className={styles.lines}>
            {lines.map((line, i) => (
              <li key={i} data-state={line.state}>
                <span className="soft">{say.states[line.state]}</span> {line.title}{' '}
                <span className="soft numbers">{line.when}</span>
                {line.why ? (
                  <span className="soft">
                    {' '}
                    ({say.line({ line: line.line })}) {line.why}
                  </span>
                ) : null}
              </li>
            ))}
          </ul>
          {counts.new + counts.changed === 0 ? (
            <p className="notice">{say.nothing}</p>
          ) : (
            <>
              <Tick label={say.draft} checked={draft} onChange={setDraft} />
              <Button variant="contained" disabled={busy} onClick={() => void bring()}>
                {say.bring(counts.new, counts.changed)}
              </Button>
            </>
          )}
        </>
      ) : null}
    </section>
  );
}
