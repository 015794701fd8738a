'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { joinTexts } from '@/core/texts/school';
import type { FieldErrors } from '../controls/callApi';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { Choice } from '../controls/Choice';
import styles from './SignIn.module.css';

type Props = Readonly<{
  token: string;
  sections: readonly Readonly<{ id: string; name: string }>[];
  /** Whoever is signed in; absent: a name and an address are asked. */
  name?: string;
}>;

/** Joining a course: at once for whoever is signed in, by a letter for anybody else. */
export function JoinForm({ token, sections, name }: Props) {
  const [value, setValue] = useState({ name: '', email: '', section: '' });
  const [errors, setErrors] = useState<FieldErrors>({});
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [letter, setLetter] = useState(false);
  const join = async () => {
    setBusy(true);
    const answer = await callApi<{ letter: boolean }>('POST', '/api/joining', {
      token,
      section: value.section || undefined,
      ...(name ? {} : { name: value.name, email: value.email || undefined }),
    });
    setBusy(false);
    if (!answer.ok) {
      setErrors(answer.fields);
      return setMessage(Object.keys(answer.fields).length > 0 ? undefined : answer.message);
    }
    if (answer.value.letter) return setLetter(true);
    window.location.replace('/next');
  };
  if (letter)
    return (
      <div role="status">
        <h2>{joinTexts.letterTitle}</h2>
        <p>{joinTexts.letter}</p>
      </div>
    );
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void join();
      }}
    >
      {sections.length > 1 ? (
        <>
          <Choice
            label={joinTexts.section}
            value={value.section}
            options={sections.map((section) => ({ value: section.id, label: section.name }))}
            onChange={(section) => setValue({ ...value, section })}
          />
          {errors.section ? <p role="alert">{errors.section}</p> : null}
        </>
      ) : null}
      {name ? null : (
        <>
          <Field
            label={joinTexts.name}
            autoComplete="name"
            value={value.name}
            onChange={(text) => setValue({ ...value, name: text })}
            error={errors.name}
          />
          <Field
            label={joinTexts.email}
            type="email"
            autoComplete="email"
            hint={joinTexts.emailHint}
            value={value.email}
            onChange={(text) => setValue({ ...value, email: text })}
            error={errors.email}
          />
        </>
      )}
      {message ? <p role="alert">{message}</p> : null}
      <Button type="submit" variant="contained" disabled={busy}>
        {name ? joinTexts.joinAs({ name }) : joinTexts.join}
      </Button>
      {name ? null : <Link href={`/sign-in?to=/join/${token}`}>{joinTexts.haveAccount}</Link>}
    </form>
  );
}
