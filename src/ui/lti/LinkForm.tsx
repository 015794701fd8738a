'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ltiTexts } from '@/core/texts/lti';
import { callApi } from '../controls/callApi';
import { Select } from '../controls/Select';
import styles from './Lti.module.css';

const say = ltiTexts.link;

type Course = Readonly<{
  id: string;
  name: string;
  sections: readonly Readonly<{ id: string; name: string }>[];
}>;

/** An instructor says which of their courses the site's is. */
export function LinkForm({ id, courses, likely, later }: Readonly<{ id: string; courses: readonly Course[]; likely?: string; later: string }>) {
  const [course, setCourse] = useState(likely ?? courses[0]!.id);
  const [section, setSection] = useState('');
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const sections = courses.find((one) => one.id === course)?.sections ?? [];
  const send = async () => {
    setBusy(true);
    const answer = await callApi<{ to: string }>('POST', `/api/lti/links/${id}`, { course, ...(section ? { section } : {}) });
    if (answer.ok) return window.location.assign(answer.value.to);
    setBusy(false);
    setMessage(Object.values(answer.fields)[0] ?? answer.message);
  };
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Select
        label={say.course}
        value={course}
        options={courses.map((one) => ({ value: one.id, label: one.name }))}
        onChange={(next) => {
          setCourse(next);
          setSection('');
        }}
      />
      {sections.length > 1 ? (
        <Select
          label={say.section}
          value={section}
          options={[{ value: '', label: say.all }, ...sections.map((one) => ({ value: one.id, label: one.name }))]}
          onChange={setSection}
        />
      ) : null}
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.act}
        </Button>
        <Button href={later}>{say.later}</Button>
      </div>
    </form>
  );
} // prettier-ignore
