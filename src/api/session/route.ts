import { z } from 'zod';
import { done } from '@/core/refusals';
import { signIn, signOut } from '@/server/session/session';
import { schoolSignOut } from '@/server/session/schoolSignIn';
import { endpoint } from '../endpoint';
import { sessionCookie } from '../sessionCookie';

const credentials = z.object({
  email: z.string({ error: 'Type your e-mail address.' }).trim().min(1, 'Type your e-mail address.').max(254),
  password: z.string({ error: 'Type your password.' }).min(1, 'Type your password.').max(1000),
  /** Of the second step, where there is one. */
  code: z.string().max(40).optional(),
  /** “This is not my device”: the session ends with the browser, after two hours at most. */
  shared: z.boolean().default(false),
});

/** Signs in. */
export const POST = endpoint(
  {
    who: 'anyone',
    beforeSecondStep: true,
    body: credentials,
    answer: z.object({ name: z.string(), email: z.string() }),
  },
  async ({ pembit, actor, body, from }) => {
    const outcome = await signIn(pembit, { ...body, from });
    if (!outcome.ok) return outcome;
    // A session that was there before the sign-in does not outlive it.
    if (actor) await signOut(pembit, actor);
    const { token, person } = outcome.value;
    return {
      ...done({ name: person.name, email: person.email }),
      headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, token, body.shared) },
    };
  },
);

/** Signs out; whoever came by the school’s sign-in is told where to sign out there. */
export const DELETE = endpoint(
  { who: 'person', beforeSecondStep: true, answer: z.object({ schoolSignsOutAt: z.string().optional() }) },
  async ({ pembit, actor }) => {
    await signOut(pembit, actor);
    const schoolSignsOutAt = actor.bySchool ? await schoolSignOut(pembit) : undefined;
    return {
      ...done({ schoolSignsOutAt }),
      headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, '') },
    };
  },
);
