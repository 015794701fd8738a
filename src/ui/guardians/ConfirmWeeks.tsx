'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { guardianTexts as say } from '@/core/texts/guardians';
import { useSubmit } from '../controls/useSubmit';

/** Whoever reads the mailbox says that it was them. */
export function ConfirmWeeks({ path }: Readonly<{ path: string }>) {
  const { submit, message, busy } = useSubmit();
  const [done, setDone] = useState(false);
  const confirm = async () => setDone((await submit('POST', path, undefined)).ok);
  return (
    <>
      <p role="status">{done ? say.confirmed : message}</p>
      {done ? null : (
        <Button variant="contained" disabled={busy} onClick={() => void confirm()}>
          {say.confirm}
        </Button>
      )}
    </>
  );
}
