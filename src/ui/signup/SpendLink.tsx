'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { signupTexts } from '@/core/texts/signup';
import { callApi } from '../controls/callApi';

const { own: say } = signupTexts;

/** Goes on from a letter's link: it is spent by this button alone. */
export function SpendLink({ sheet, link }: { sheet: string; link: string }) {
  const router = useRouter();
  const [message, setMessage] = useState<string>();
  const go = async () => {
    const answer = await callApi('POST', `/api/sheets/${sheet}/session`, { link });
    if (answer.ok) router.replace(`/s/${sheet}`);
    else setMessage(answer.message);
  };
  return (
    <>
      <p className="soft">{say.goLead}</p>
      {message ? <p role="alert">{message}</p> : null}
      <p>
        <Button variant="contained" onClick={() => void go()}>
          {say.go}
        </Button>
      </p>
    </>
  );
}
