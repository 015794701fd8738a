import { z } from 'zod';
import { sendReset } from '@/server/session/ownPassword';
import { endpoint } from '../endpoint';

const body = z.object({ email: z.email({ error: 'Type a whole e-mail address.' }).max(254) });

/** Sends a link for a new password; the answer says nothing about who is here. */
export const POST = endpoint({ who: 'anyone', body, answer: z.null() }, ({ pembit, body, from }) =>
  sendReset(pembit, body.email, from),
);
