'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { panelTexts } from '@/core/texts/term';
import styles from './EntryForm.module.css';
import type { CourseChoice, EntryDraft } from './entryDraft';
import { EVERYONE } from './entryDraft';
import type { PanelCourse } from './panelData';

type Chosen = EntryDraft['courses'];
type Props = Readonly<{
  courses: readonly PanelCourse[];
  chosen: Chosen;
  onChange: (chosen: Chosen) => void;
  error?: string;
}>;

const toggled = (list: readonly string[], id: string) =>
  list.includes(id) ? list.filter((other) => other !== id) : [...list, id];

/** The courses an entry is for and, within each, whether for everyone or for sections, groups or named students. */
export function AudienceFields({ courses, chosen, onChange, error }: Props) {
  const toggleCourse = (id: string) => {
    const { [id]: had, ...others } = chosen;
    onChange(had ? others : { ...chosen, [id]: EVERYONE });
  };
  const all = courses.every(({ id }) => chosen[id]);
  return (
    <fieldset className={styles.courses}>
      <legend>{panelTexts.courses}</legend>
      {courses.map((course) => {
        const choice = chosen[course.id];
        return (
          <div key={course.id}>
            <FormControlLabel
              control={<Checkbox checked={choice !== undefined} onChange={() => toggleCourse(course.id)} />}
              label={
                <>
                  <span className="tag" data-course={course.color}>
                    {course.tag}
                  </span>{' '}
                  {course.title}
                </>
              }
            />
            {choice ? (
              <Within
                course={course}
                choice={choice}
                onChange={(next) => onChange({ ...chosen, [course.id]: next })}
              />
            ) : null}
          </div>
        );
      })}
      {courses.length > 1 ? (
        <FormControlLabel
          control={
            <Checkbox
              checked={all}
              onChange={() =>
                onChange(all ? {} : Object.fromEntries(courses.map(({ id }) => [id, chosen[id] ?? EVERYONE])))
              }
            />
          }
          label={panelTexts.allCourses({ n: courses.length })}
        />
      ) : null}
      {error ? <p className={styles.error}>{error}</p> : null}
    </fieldset>
  );
}

type WithinProps = Readonly<{
  course: PanelCourse;
  choice: CourseChoice;
  onChange: (choice: CourseChoice) => void;
}>;

function Within({ course, choice, onChange }: WithinProps) {
  const { sections, groups, people } = choice;
  const narrowed = sections.length + groups.length + people.length > 0;
  const several = course.sections.length > 1;
  const everySection = !narrowed;
  const tickSection = (id: string) => {
    const all = course.sections.map((section) => section.id);
    const next = toggled(everySection ? all : sections, id);
    // All ticked, and nothing else named, is everyone. The last tick cannot go: an entry for no one is for nobody.
    if (next.length === all.length && groups.length + people.length === 0) onChange(EVERYONE);
    else if (next.length + groups.length + people.length > 0) onChange({ ...choice, sections: next });
  };
  return (
    <div className={styles.sections}>
      {several ? (
        <div role="group" aria-label={panelTexts.sections({ tag: course.tag })}>
          {course.sections.map((section) => (
            <FormControlLabel
              key={section.id}
              control={
                <Checkbox
                  checked={everySection || sections.includes(section.id)}
                  onChange={() => tickSection(section.id)}
                />
              }
              label={section.name}
            />
          ))}
        </div>
      ) : null}
      {course.groups.length > 0 || course.roster.length > 0 ? (
        <details open={groups.length + people.length > 0}>
          <summary>{panelTexts.narrow}</summary>
          {course.groups.length > 0 ? (
            <div role="group" aria-label={panelTexts.groups({ tag: course.tag })}>
              {course.groups.map((group) => (
                <FormControlLabel
                  key={group.id}
                  control={
                    <Checkbox
                      checked={groups.includes(group.id)}
                      onChange={() => onChange({ ...choice, groups: toggled(groups, group.id) })}
                    />
                  }
                  label={group.name}
                />
              ))}
            </div>
          ) : null}
          <div role="group" aria-label={panelTexts.named({ tag: course.tag })} className={styles.names}>
            {course.roster.map((student) => (
              <FormControlLabel
                key={student.id}
                control={
                  <Checkbox
                    checked={people.includes(student.id)}
                    onChange={() => onChange({ ...choice, people: toggled(people, student.id) })}
                  />
                }
                label={student.name}
              />
            ))}
          </div>
        </details>
      ) : null}
    </div>
  );
}
