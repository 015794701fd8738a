import { z } from 'zod';
import { done } from '@/core/refusals';
import { COOKIE_SECONDS, cookieName, signIn, signOut } from '@/server/session/session';
import { endpoint } from '../endpoint';

const credentials = z.object({
  email: z.string({ error: 'Type your e-mail address.' }).trim().min(1, 'Type your e-mail address.').max(254),
  password: z.string({ error: 'Type your password.' }).min(1, 'Type your password.').max(1000),
});

const cookie = (baseUrl: string, token: string, seconds: number): string =>
  [
    `${cookieName(baseUrl)}=${token}`,
    'Path=/',
    `Max-Age=${seconds}`,
    'HttpOnly',
    'SameSite=Lax',
    ...(baseUrl.startsWith('https:') ? ['Secure'] : []),
  ].join('; ');

export const POST = endpoint({ who: 'anyone', body: credentials }, async ({ pembit, body }) => {
  const outcome = await signIn(pembit, body.email, body.password);
  if (!outcome.ok) return outcome;
  const { token, person } = outcome.value;
  return {
    ...done({ name: person.name, email: person.email }),
    headers: { 'set-cookie': cookie(pembit.config.baseUrl, token, COOKIE_SECONDS) },
  };
});

export const DELETE = endpoint({ who: 'person' }, async ({ pembit, actor }) => {
  await signOut(pembit, actor);
  return { ...done(null), headers: { 'set-cookie': cookie(pembit.config.baseUrl, '', 0) } };
});
