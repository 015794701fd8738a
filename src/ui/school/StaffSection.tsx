'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

type Props = Readonly<{
  course: string;
  staff: readonly Readonly<{ id: string; name: string; co: boolean }>[];
  mayChange: boolean;
}>;

/** Who teaches a course; its instructor adds co-instructors by their address. */
export function StaffSection({ course, staff, mayChange }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const [email, setEmail] = useState('');
  const add = async () => {
    const answer = await submit<{ name: string }>(
      'POST',
      `/api/courses/${course}/staff`,
      { email },
      ({ name }) => frameHistoryTexts.addedStaff(name),
    );
    if (answer.ok) setEmail('');
  };
  return (
    <section className={`card ${styles.section}`} aria-labelledby="staff">
      <h2 id="staff">{courseTexts.staff}</h2>
      <ul className={styles.list}>
        {staff.map((person) => (
          <li key={person.id}>
            <span>
              {person.name}{' '}
              <span className="soft">{person.co ? courseTexts.coInstructor : courseTexts.instructor}</span>
            </span>
            {mayChange && person.co ? (
              <Button
                size="small"
                disabled={busy}
                aria-label={courseTexts.takeOffStaff(person.name)}
                onClick={() =>
                  submit<{ name: string }>(
                    'DELETE',
                    `/api/courses/${course}/staff/${person.id}`,
                    undefined,
                    ({ name }) => frameHistoryTexts.removedStaff(name),
                  )
                }
              >
                {courseTexts.leave}
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {mayChange ? (
        <FormBox
          summary={courseTexts.addCoInstructor}
          action={courseTexts.addCoInstructor}
          onSubmit={add}
          message={message}
          disabled={busy}
        >
          <Field
            label={courseTexts.coInstructorEmail}
            type="email"
            value={email}
            onChange={setEmail}
            error={errors.email}
          />
        </FormBox>
      ) : null}
    </section>
  );
}
