import { z } from 'zod';
import { sheetId } from '@/core/ids';
import { sendMailLink } from '@/server/signup/mailLink';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });
const body = z.object({
  email: z.string({ error: 'Type your e-mail address.' }).trim().min(3, 'Type your e-mail address.').max(254),
});

/** Sends a link to the sheet to a student whom it is for; whoever asks gets the same answer. */
export const POST = endpoint(
  { who: 'anyone', params, body, answer: z.null() },
  ({ pembit, params, body, from }) => sendMailLink(pembit, params.id, body.email, from),
);
