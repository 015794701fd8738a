'use client';
import type { ComponentProps } from 'react';
import { useState } from 'react';
import { closureTexts as say } from '@/core/texts/closures';
import { Select } from '../controls/Select';
import styles from './School.module.css';
import { ClosureForm } from './ClosureForm';

const WHOLE = '';

/** Closes days for one of the courses that one plans, or, by the office, for the whole school. */
export function CloseDays({
  term,
  courses,
  whole,
  chosen,
  start,
}: {
  term: string;
  courses: readonly Readonly<{
    id: string;
    name: string;
    sections: readonly Readonly<{ id: string; name: string }>[];
  }>[];
  whole: boolean;
  chosen?: string;
  start: ComponentProps<typeof ClosureForm>['start'];
}) {
  const [course, setCourse] = useState(chosen ?? (whole ? WHOLE : (courses[0]?.id ?? WHOLE)));
  const options = [
    ...(whole ? [{ value: WHOLE, label: say.whole }] : []),
    ...courses.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <div className={styles.closing}>
      {options.length > 1 ? (
        <Select label={say.for} value={course} options={options} onChange={setCourse} />
      ) : null}
      <ClosureForm
        key={course}
        terms={[{ id: term, name: '' }]}
        course={course === WHOLE ? undefined : course}
        sections={courses.find(({ id }) => id === course)?.sections}
        start={start}
      />
    </div>
  );
}
