import { z } from 'zod';
import { done } from '@/core/refusals';
import { changePassword } from '@/server/session/ownPassword';
import { endpoint } from '../../endpoint';
import { sessionCookie } from '../../sessionCookie';

const body = z.object({
  current: z.string({ error: 'Type your present password.' }).max(1000),
  password: z.string({ error: 'Choose a password.' }).max(1000),
});

/** Changes one’s password: every other session ends, and this device gets a new one. */
export const PUT = endpoint({ who: 'person', body, answer: z.null() }, async ({ pembit, actor, body }) => {
  const outcome = await changePassword(pembit, actor, body);
  if (!outcome.ok) return outcome;
  return { ...done(null), headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, outcome.value.token) } }; // prettier-ignore
});
