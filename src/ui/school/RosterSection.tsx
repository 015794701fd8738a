'use client';
import { useState } from 'react';
import type { RosterReading } from '@/core/roster/readRoster';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FileField } from '../controls/FileField';
import { FormBox } from './FormBox';
import type { RosterMember } from './RosterMembers';
import { RosterMembers } from './RosterMembers';
import { RosterPackage } from './RosterPackage';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

/** So many of a list are named before they are added. */
const MOST_NAMES = 200;

/** Who takes the course; a pasted list is looked at line by line before anybody is added. */
export function RosterSection({
  course,
  members,
  sections,
  locale,
}: {
  course: string;
  members: readonly RosterMember[];
  sections: readonly Readonly<{ id: string; name: string }>[];
  locale: string;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [list, setList] = useState('');
  const [reading, setReading] = useState<RosterReading>();
  const take = (text: string) => {
    setReading(undefined);
    setList(text);
  };
  const wrong = reading?.faults.length ?? 0;
  const look = async () => {
    const answer = await submit<RosterReading>('POST', `/api/courses/${course}/roster/preview`, { list });
    if (answer.ok) setReading(answer.value);
  };
  const add = async () => {
    const answer = await submit<{ added: number }>(
      'POST',
      `/api/courses/${course}/roster`,
      { list, leaveOut: wrong > 0 },
      ({ added }) => frameHistoryTexts.enrolled({ n: added }),
    );
    if (!answer.ok) return;
    setList('');
    setReading(undefined);
  };
  const ready = reading && reading.lines.length > 0;
  return (
    <section className={`card ${styles.section}`} aria-labelledby="roster">
      <h2 id="roster">{courseTexts.roster}</h2>
      {members.length === 0 ? <p className="soft">{courseTexts.noStudents}</p> : null}
      {members.length > 0 ? (
        <RosterMembers course={course} members={members} sections={sections} locale={locale} />
      ) : null}
      <FormBox
        action={ready ? courseTexts.addStudents({ n: reading.lines.length, wrong }) : courseTexts.preview}
        onSubmit={ready ? add : look}
        message={message}
        disabled={busy || list.trim() === ''}
        look={!ready}
      >
        <h3>{courseTexts.pasteTitle}</h3>
        <p className="soft">{courseTexts.pasteLead}</p>
        <Field label={courseTexts.paste} rows={6} value={list} error={errors.list} onChange={take} />
        <FileField label={courseTexts.chooseFile} onText={take} />
        <div aria-live="polite">
          {reading ? (
            <div className="notice">
              <p>
                {courseTexts.report({
                  added: reading.lines.length,
                  known: reading.known.length,
                  wrong: reading.faults.length,
                })}
              </p>
              <ul>
                {reading.faults.slice(0, 50).map((fault) => (
                  <li key={fault.line}>{courseTexts.line({ n: fault.line, message: fault.message })}</li>
                ))}
              </ul>
              {reading.lines.length > 0 ? (
                <ol className={styles.preview}>
                  {reading.lines.slice(0, MOST_NAMES).map(({ line, name, email, section }) => (
                    <li key={`${line} ${email}`}>
                      {name} <span className="soft">{[email, section].filter(Boolean).join(' · ')}</span>
                    </li>
                  ))}
                </ol>
              ) : null}
              {reading.lines.length === 0 && reading.faults.length === 0 ? (
                <p>{courseTexts.nothingToAdd}</p>
              ) : null}
            </div>
          ) : null}
        </div>
      </FormBox>
      <RosterPackage course={course} sections={sections} />
    </section>
  );
}
