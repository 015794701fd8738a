'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { welcomeTexts } from '@/core/texts/mail';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { keepFor } from '../controls/useKept';
import styles from './SignIn.module.css';

/** The first sign-in: a password, and in. */
export function WelcomeForm({ token, email }: { token: string; email: string }) {
  const [password, setPassword] = useState('');
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const accept = async () => {
    setBusy(true);
    const answer = await callApi('POST', '/api/welcome', { token, password });
    if (!answer.ok) {
      setBusy(false);
      return setError(answer.fields.password ?? answer.message);
    }
    await callApi('POST', '/api/session', { email, password });
    keepFor(email, false);
    window.location.replace('/');
  };
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void accept();
      }}
    >
      <Field
        label={welcomeTexts.password}
        hint={welcomeTexts.hint}
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={setPassword}
        error={error}
      />
      <Button type="submit" variant="contained" disabled={busy}>
        {welcomeTexts.submit}
      </Button>
    </form>
  );
}
