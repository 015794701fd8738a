'use client';
import { useState } from 'react';
import { memberTexts as say } from '@/core/texts/members';
import { Field } from '../controls/Field';
import { numberIn } from '../controls/numberIn';
import { useSubmit } from '../controls/useSubmit';
import { FormBox } from './FormBox';
import styles from './School.module.css';

export type LateLine = Readonly<{ person: string; text: string; open: number }>;

/** Who came after the term began: the work set before they came can be due later for all of them in one act. */
export function LateSection({ course, late }: Readonly<{ course: string; late: readonly LateLine[] }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [days, setDays] = useState('7');
  const people = late.flatMap(({ person, open }) => (open > 0 && !left.has(person) ? [person] : []));
  const toggle = (person: string) => {
    const next = new Set(left);
    if (!next.delete(person)) next.add(person);
    setLeft(next);
  };
  const give = () =>
    submit<{ people: number; work: number }>(
      'POST',
      `/api/courses/${course}/roster/extensions`,
      { people, days: numberIn(days) },
      (given) => say.lateGave({ people: given.people, work: given.work }),
    );
  return (
    <section className={`card ${styles.section}`} aria-labelledby="late">
      <h2 id="late">{say.lateTitle}</h2>
      <FormBox
        action={say.lateGive({ n: people.length })}
        onSubmit={give}
        message={message ?? errors.people}
        disabled={busy || people.length === 0}
      >
        <p className="soft">{say.lateLead}</p>
        <ul className={styles.list}>
          {late.map(({ person, text, open }) => (
            <li key={person}>
              {open > 0 ? (
                <label>
                  <input type="checkbox" checked={!left.has(person)} onChange={() => toggle(person)} />
                  {text}
                </label>
              ) : (
                text
              )}
            </li>
          ))}
        </ul>
        <Field label={say.lateDays} value={days} onChange={setDays} error={errors.days} />
      </FormBox>
    </section>
  );
}
