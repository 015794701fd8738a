'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { RosterReading } from '@/core/roster/readRoster';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { useSubmit } from './useSubmit';

export type RosterMember = Readonly<{
  person: string;
  name: string;
  email: string;
  section: string | null;
  waiting: boolean;
}>;

/** Who takes the course; a pasted list is looked at line by line before anybody is added. */
export function RosterSection({ course, members }: { course: string; members: readonly RosterMember[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const [list, setList] = useState('');
  const [reading, setReading] = useState<RosterReading>();
  const look = async () => {
    const answer = await submit<RosterReading>('POST', `/api/courses/${course}/roster/preview`, { list });
    if (answer.ok) setReading(answer.value);
  };
  const add = async () => {
    const answer = await submit<{ added: number }>(
      'POST',
      `/api/courses/${course}/roster`,
      { list },
      ({ added }) => frameHistoryTexts.enrolled(added),
    );
    if (!answer.ok) return;
    setList('');
    setReading(undefined);
  };
  const ready = reading && reading.faults.length === 0 && reading.lines.length > 0;
  return (
    <section className={`card ${styles.section}`} aria-labelledby="roster">
      <h2 id="roster">{courseTexts.roster}</h2>
      {members.length === 0 ? <p className="soft">{courseTexts.noStudents}</p> : null}
      <ul className={styles.roster}>
        {members.map((member) => (
          <li key={member.person}>
            <span>
              {member.name}{' '}
              <span className="soft">
                {member.section ?? courseTexts.noSection}
                {member.waiting ? ` · ${schoolTexts.neverSignedIn}` : ''}
              </span>
            </span>
            <Button
              size="small"
              disabled={busy}
              aria-label={courseTexts.takeOff(member.name)}
              onClick={() =>
                submit<{ name: string }>(
                  'DELETE',
                  `/api/courses/${course}/roster/${member.person}`,
                  undefined,
                  ({ name }) => frameHistoryTexts.leftCourse(name),
                )
              }
            >
              {courseTexts.leave}
            </Button>
          </li>
        ))}
      </ul>
      <FormBox
        action={ready ? courseTexts.addStudents(reading.lines.length) : courseTexts.preview}
        onSubmit={ready ? add : look}
        message={message}
        disabled={busy || list.trim() === ''}
        look={!ready}
      >
        <h3>{courseTexts.pasteTitle}</h3>
        <p className="soft">{courseTexts.pasteLead}</p>
        <Field
          label={courseTexts.paste}
          rows={6}
          value={list}
          error={errors.list}
          onChange={(text) => {
            setReading(undefined);
            setList(text);
          }}
        />
        <div aria-live="polite">
          {reading ? (
            <div className="notice">
              <p>{courseTexts.report(reading.lines.length, reading.known.length, reading.faults.length)}</p>
              <ul>
                {reading.faults.slice(0, 50).map((fault) => (
                  <li key={fault.line}>{courseTexts.line(fault.line, fault.message)}</li>
                ))}
              </ul>
              {reading.lines.length === 0 && reading.faults.length === 0 ? (
                <p>{courseTexts.nothingToAdd}</p>
              ) : null}
            </div>
          ) : null}
        </div>
      </FormBox>
    </section>
  );
}
