'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { endLettersTexts as say } from '@/core/texts/student';
import { Link } from '../controls/Link';
import { useSubmit } from '../controls/useSubmit';

/** Ends letters of one sort by what stood in one of them. */
export function EndLetters({ token }: { token: string }) {
  const { submit, message, busy } = useSubmit();
  const [ended, setEnded] = useState(false);
  const end = async () => {
    const answer = await submit('POST', `/api/unsubscribe/${token}`, undefined);
    setEnded(answer.ok);
  };
  return (
    <>
      <p role="status">{ended ? say.ended : message}</p>
      {ended ? null : (
        <Button variant="contained" disabled={busy} onClick={() => void end()}>
          {say.end}
        </Button>
      )}
      <p>
        <Link className="lone" href="/account">
          {say.account}
        </Link>
      </p>
    </>
  );
}
