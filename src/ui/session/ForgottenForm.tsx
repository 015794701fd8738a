'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { signInTexts } from '@/core/texts/frame';
import { passwordTexts as say } from '@/core/texts/passwords';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import styles from './SignIn.module.css';

/** Asks for a letter with a link for a new password. */
export function ForgottenForm() {
  const [email, setEmail] = useState('');
  const [said, setSaid] = useState<string>();
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    const answer = await callApi('POST', '/api/password-reset', { email });
    setBusy(false);
    setError(answer.ok ? undefined : (answer.fields.email ?? answer.message));
    setSaid(answer.ok ? say.sent : undefined);
  };
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field
        label={signInTexts.email}
        type="email"
        autoComplete="username"
        value={email}
        onChange={setEmail}
        error={error}
      />
      {said ? (
        <p role="status" className="notice">
          {said}
        </p>
      ) : null}
      <Button type="submit" variant="contained" disabled={busy}>
        {say.send}
      </Button>
      <Link className="lone" href="/sign-in">
        {signInTexts.submit}
      </Link>
    </form>
  );
}
