'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { arrangeTexts as say } from '@/core/texts/arrange';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { FormBox } from './FormBox';
import type { RosterMember } from './RosterMembers';
import styles from './School.module.css';

export type ArrangementView = Readonly<{ person: string; name: string; days: number }>;

/** Students who have more time for all work of a course. */
export function ArrangementsSection({
  course,
  arranged,
  members,
}: Readonly<{ course: string; arranged: readonly ArrangementView[]; members: readonly RosterMember[] }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [person, setPerson] = useState('');
  const [days, setDays] = useState('2');
  const path = `/api/courses/${course}/arrangements`;
  const nameOf = (id: string) => members.find((member) => member.person === id)?.name ?? '';
  const give = async () => {
    const answer = await submit('PUT', path, { person, days: Number(days) }, () =>
      say.arranged({ name: nameOf(person), days: Number(days) }),
    );
    if (answer.ok) setPerson('');
  };
  const end = ({ person: id, name }: ArrangementView) =>
    submit('PUT', path, { person: id, days: 0 }, () => say.ended({ name }));
  return (
    <section className={`card ${styles.section}`} aria-labelledby="more-time">
      <h2 id="more-time">{say.title}</h2>
      <p className="soft">{say.lead}</p>
      <ul className={styles.list}>
        {arranged.map((line) => (
          <li key={line.person}>
            <span>{say.line({ name: line.name, days: line.days })}</span>
            <Button
              size="small"
              disabled={busy}
              aria-label={say.endFor({ name: line.name })}
              onClick={() => void end(line)}
            >
              {say.end}
            </Button>
          </li>
        ))}
      </ul>
      <FormBox
        summary={say.add}
        action={say.add}
        onSubmit={give}
        message={message}
        disabled={busy || person === ''}
      >
        <Select
          label={say.student}
          value={person}
          onChange={setPerson}
          error={errors.person}
          options={[
            { value: '', label: '' },
            ...members.map((member) => ({ value: member.person, label: member.name })),
          ]}
        />
        <Field label={say.days} value={days} onChange={setDays} error={errors.days} />
      </FormBox>
    </section>
  );
}
