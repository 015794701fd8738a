'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { signupTexts } from '@/core/texts/signup';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import styles from './RunSheet.module.css';

const { own: say } = signupTexts;

/** Asks for a link to a sheet by mail, or leads to the sign-in page. */
export function LinkForm({ sheet }: { sheet: string }) {
  const [email, setEmail] = useState('');
  const [said, setSaid] = useState<string>();
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    const answer = await callApi('POST', `/api/sheets/${sheet}/link`, { email });
    setBusy(false);
    setError(answer.ok ? undefined : (answer.fields.email ?? answer.message));
    setSaid(answer.ok ? say.sent : undefined);
  };
  return (
    <form
      className={`${styles.form} ${styles.ask}`}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field
        label={say.email}
        type="email"
        autoComplete="email"
        value={email}
        onChange={setEmail}
        error={error}
      />
      {said ? (
        <p role="status" className="notice">
          {said}
        </p>
      ) : null}
      <div className={styles.tools}>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.send}
        </Button>
        <Button variant="outlined" href={`/sign-in?to=${encodeURIComponent(`/s/${sheet}`)}`}>
          {say.signIn}
        </Button>
      </div>
    </form>
  );
}
