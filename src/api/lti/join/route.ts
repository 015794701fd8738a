import { z } from 'zod';
import { refused } from '@/core/refusals';
import { joinArrival } from '@/server/lti/arrive';
import { isFresh, showWhoOneIs } from '@/server/session/session';
import { endpoint } from '../../endpoint';
import { arrivalIn, arrivalKey, entered, enteredRecord } from '../entered';

/** By one's own password, or, without one, as who has just signed in on this browser. */
const body = z.object({
  arrival: arrivalKey,
  email: z.string().trim().max(254).optional(),
  password: z.string().max(1000).optional(),
  code: z.string().max(40).optional(),
});

/** Joins who came from a course’s site with an account of theirs, by its own fresh sign-in. */
export const POST = endpoint(
  { who: 'anyone', beforeSecondStep: true, body, answer: enteredRecord },
  async ({ pembit, request, actor, body: { arrival: key, email, password, code }, from }) => {
    const { baseUrl } = pembit.config;
    const arrival = arrivalIn(request, baseUrl, key);
    if (email === undefined || password === undefined) {
      if (!actor || !(await isFresh(pembit, actor))) return refused('signInAnew');
      return entered(baseUrl, await joinArrival(pembit, arrival, actor.person));
    }
    const shown = await showWhoOneIs(pembit, { email, password, code, from });
    return shown.ok ? entered(baseUrl, await joinArrival(pembit, arrival, shown.value)) : shown;
  },
);
