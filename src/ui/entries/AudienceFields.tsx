'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { panelTexts } from '@/core/texts/term';
import styles from './EntryForm.module.css';
import type { EntryDraft } from './entryDraft';
import type { PanelCourse } from './panelData';

type Chosen = EntryDraft['courses'];
type Props = Readonly<{
  courses: readonly PanelCourse[];
  chosen: Chosen;
  onChange: (chosen: Chosen) => void;
  error?: string;
}>;

/** The courses an entry is for and, in a course of several sections, which of them; all ticked is everyone. */
export function AudienceFields({ courses, chosen, onChange, error }: Props) {
  const toggleCourse = (id: string) => {
    const { [id]: had, ...others } = chosen;
    onChange(had ? others : { ...chosen, [id]: [] });
  };
  const toggleSection = (course: PanelCourse, id: string) => {
    const all = course.sections.map((section) => section.id);
    const had = chosen[course.id] ?? [];
    const ticked = had.length === 0 ? all : had;
    const next = ticked.includes(id) ? ticked.filter((s) => s !== id) : [...ticked, id];
    // The last tick cannot go: an entry for no section is an entry for nobody.
    if (next.length > 0) onChange({ ...chosen, [course.id]: next.length === all.length ? [] : next });
  };
  return (
    <fieldset className={styles.courses}>
      <legend>{panelTexts.courses}</legend>
      {courses.map((course) => {
        const sections = chosen[course.id];
        return (
          <div key={course.id}>
            <FormControlLabel
              control={<Checkbox checked={sections !== undefined} onChange={() => toggleCourse(course.id)} />}
              label={
                <>
                  <span className="tag" data-course={course.color}>
                    {course.tag}
                  </span>{' '}
                  {course.title}
                </>
              }
            />
            {sections && course.sections.length > 1 ? (
              <div role="group" aria-label={panelTexts.sections(course.tag)} className={styles.sections}>
                {course.sections.map((section) => (
                  <FormControlLabel
                    key={section.id}
                    control={
                      <Checkbox
                        checked={sections.length === 0 || sections.includes(section.id)}
                        onChange={() => toggleSection(course, section.id)}
                      />
                    }
                    label={section.name}
                  />
                ))}
              </div>
            ) : null}
          </div>
        );
      })}
      {error ? <p className={styles.error}>{error}</p> : null}
    </fieldset>
  );
}
