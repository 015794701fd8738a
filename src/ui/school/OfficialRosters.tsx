'use client';
import type { ComponentProps } from 'react';
import { useState } from 'react';
import { rosterTexts as say } from '@/core/texts/roster';
import { Select } from '../controls/Select';
import { RosterPackage } from './RosterPackage';
import { RosterReadings } from './RosterReadings';
import styles from './School.module.css';

type Course = Readonly<{
  id: string;
  name: string;
  sections: readonly Readonly<{ id: string; name: string }>[];
}>;

/** Rosters from the school's own system, for one course after another: what they call somebody holds for the whole school. */
export function OfficialRosters({
  courses,
  readings,
}: Readonly<{ courses: readonly Course[]; readings: ComponentProps<typeof RosterReadings> }>) {
  const [chosen, setChosen] = useState('');
  const course = courses.find(({ id }) => id === chosen) ?? courses[0];
  if (!course) return null;
  return (
    <section className={styles.section} aria-labelledby="official-rosters">
      <h2 id="official-rosters">{say.official}</h2>
      <p className="soft">{say.officialLead}</p>
      <Select
        label={say.officialCourse}
        value={course.id}
        options={courses.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setChosen}
      />
      <RosterPackage key={course.id} course={course.id} sections={course.sections} />
      <RosterReadings {...readings} />
    </section>
  );
}
