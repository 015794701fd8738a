'use client';
import { useState } from 'react';
import { questionTexts as say } from '@/core/texts/questions';
import { Select } from '../controls/Select';
import { useAct, useSubmit } from '../controls/useSubmit';
import { FormBox } from './FormBox';
import styles from './School.module.css';

/** Whether students of a course may ask, and who reads what was asked before they joined the staff. */
export function QuestionsSection({ course, open, staff }: Readonly<{ course: string; open: boolean; staff: readonly Readonly<{ id: string; name: string }>[] }>) {
  const { act, busy } = useAct();
  const { submit, errors, message, busy: handing } = useSubmit();
  const [to, setTo] = useState(staff[0]?.id ?? '');
  const handOn = () =>
    submit<{ handedOn: number; name: string }>('POST', `/api/courses/${course}/questions`, { to }, ({ handedOn, name }) => say.handedOn({ n: handedOn, name }));
  return (
    <section className={`card ${styles.section}`} aria-labelledby="course-questions">
      <h2 id="course-questions">{say.title}</h2>
      <label>
        <input
          type="checkbox"
          checked={open}
          disabled={busy}
          onChange={() => void act('PUT', `/api/asking/${course}`, { open: !open }, () => say.askingSaved)}
        />{' '}
        {say.courseAsking}
      </label>
      <p className="soft">{say.courseLead}</p>
      {staff.length > 0 ? (
        <FormBox summary={say.handOnTitle} action={say.handOnButton} onSubmit={handOn} message={message ?? errors.to} disabled={handing}>
          <p className="soft">{say.handOnLead}</p>
          <Select label={say.handOn} value={to} options={staff.map(({ id, name }) => ({ value: id, label: name }))} onChange={setTo} />
        </FormBox>
      ) : null}
    </section>
  );
} // prettier-ignore
