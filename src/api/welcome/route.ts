import { z } from 'zod';
import { acceptInvitation } from '@/server/people/invitation';
import { endpoint } from '../endpoint';

const acceptance = z.object({
  token: z.string({ error: 'The link is missing.' }).max(100),
  password: z.string({ error: 'Choose a password.' }).min(12, 'At least 12 characters.').max(1000),
});

/** Spends a link for a first sign-in. */
export const POST = endpoint(
  { who: 'anyone', body: acceptance, answer: z.object({ email: z.string() }) },
  ({ pembit, body }) => acceptInvitation(pembit, body.token, body.password),
);
