import { z } from 'zod';
import { done } from '@/core/refusals';
import { signIn, signOut } from '@/server/session/session';
import { endpoint } from '../endpoint';
import { sessionCookie } from '../sessionCookie';

const credentials = z.object({
  email: z.string({ error: 'Type your e-mail address.' }).trim().min(1, 'Type your e-mail address.').max(254),
  password: z.string({ error: 'Type your password.' }).min(1, 'Type your password.').max(1000),
});

/** Signs in. */
export const POST = endpoint({ who: 'anyone', body: credentials }, async ({ pembit, body }) => {
  const outcome = await signIn(pembit, body.email, body.password);
  if (!outcome.ok) return outcome;
  const { token, person } = outcome.value;
  return {
    ...done({ name: person.name, email: person.email }),
    headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, token) },
  };
});

/** Signs out. */
export const DELETE = endpoint({ who: 'person' }, async ({ pembit, actor }) => {
  await signOut(pembit, actor);
  return { ...done(null), headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, '') } };
});
