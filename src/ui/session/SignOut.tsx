'use client';
import Button from '@mui/material/Button';
import { accountTexts } from '@/core/texts/account';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { eraseKept } from '../offline/keptPlan';

export function SignOut() {
  const say = useMessages();
  const leave = async (path: '/api/session' | '/api/sessions') => {
    const answer = await callApi<{ schoolSignsOutAt?: string } | null>('DELETE', path);
    if (!answer.ok && answer.status !== 401) return say(answer.message);
    sessionStorage.clear();
    await eraseKept();
    // A whole new page: nothing of this person's stays in the browser's memory.
    window.location.replace((answer.ok && answer.value?.schoolSignsOutAt) || '/sign-in');
  };
  return (
    <>
      <p>
        <Button variant="contained" onClick={() => leave('/api/session')}>
          {accountTexts.signOut}
        </Button>
      </p>
      <p className="soft">{accountTexts.everywhereLead}</p>
      <p>
        <Button variant="outlined" onClick={() => leave('/api/sessions')}>
          {accountTexts.everywhere}
        </Button>
      </p>
    </>
  );
}
