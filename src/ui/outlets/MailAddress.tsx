'use client';
import Button from '@mui/material/Button';
import { publishTexts as say } from '@/core/texts/publish';
import { useSubmit } from '../controls/useSubmit';

/** Sends an address to one's own mailbox, for another device. */
export function MailAddress({ id }: Readonly<{ id: string }>) {
  const { submit, busy, message } = useSubmit();
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        disabled={busy}
        onClick={() =>
          void submit<{ to: string }>('POST', `/api/outlets/${id}/letter`, undefined, ({ to }) =>
            say.mailed({ to }),
          )
        }
      >
        {say.mailMe}
      </Button>
      {message ? <p role="alert">{message}</p> : null}
    </>
  );
}
