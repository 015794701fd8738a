'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { notesOnTexts as say } from '@/core/texts/student';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { useSubmit } from '../controls/useSubmit';
import styles from './NotesOn.module.css';

/** What somebody has noted about an entry, for themselves, and a line to note more. */
export function NotesOn({
  entry,
  day,
  notes,
}: {
  entry: string;
  /** On which a note stands unless another day is chosen. */
  day: string;
  notes: readonly Readonly<{ id: string; title: string; when: string }>[];
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [title, setTitle] = useState('');
  const [on, setOn] = useState(day);
  const keep = async () => {
    const answer = await submit(
      'POST',
      '/api/entries',
      { kind: 'note', title, on, about: entry },
      () => say.kept,
    );
    if (answer.ok) setTitle('');
  };
  return (
    <section className={styles.notes} aria-labelledby="notes-on">
      <h2 id="notes-on">{say.title}</h2>
      <p className="soft">{say.lead}</p>
      {notes.length > 0 ? (
        <ul>
          {notes.map((note) => (
            <li key={note.id}>
              <Link href={`/e/${note.id}`}>{note.title}</Link> <span className="soft">· {note.when}</span>
            </li>
          ))}
        </ul>
      ) : null}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field label={say.words} value={title} onChange={setTitle} error={errors.title ?? message} />
        <DayField label={say.day} width={170} value={on} onChange={setOn} error={errors.on} />
        <Button type="submit" variant="outlined" disabled={busy || title.trim() === ''}>
          {say.keep}
        </Button>
      </form>
    </section>
  );
}
