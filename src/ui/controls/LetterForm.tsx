'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { callApi } from './callApi';
import { Field } from './Field';

/** Asks for a letter with a link to an address that one types; `children` stand beside the button. */
export function LetterForm({
  path,
  words,
  className,
  children,
}: {
  path: string;
  words: Readonly<{ email: string; send: string; sent: string }>;
  className?: string;
  children?: ReactNode;
}) {
  const [email, setEmail] = useState('');
  const [sent, setSent] = useState(false);
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    const answer = await callApi('POST', path, { email });
    setBusy(false);
    setError(answer.ok ? undefined : (answer.fields.email ?? answer.message));
    setSent(answer.ok);
  };
  return (
    <form
      className={className}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field
        label={words.email}
        type="email"
        autoComplete="email"
        value={email}
        onChange={setEmail}
        error={error}
      />
      {sent ? (
        <p role="status" className="notice">
          {words.sent}
        </p>
      ) : null}
      <p>
        <Button type="submit" variant="contained" disabled={busy}>
          {words.send}
        </Button>{' '}
        {children}
      </p>
    </form>
  );
}
