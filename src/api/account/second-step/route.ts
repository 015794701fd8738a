import { z } from 'zod';
import { beginSecondStep, confirmSecondStep, endSecondStep } from '@/server/session/secondStep';
import { endpoint } from '../../endpoint';

const body = z.object({ code: z.string({ error: 'Type the code.' }).min(1, 'Type the code.').max(40) });

/** A new secret for an authenticator; it counts once a code of it was typed. */
export const POST = endpoint(
  { who: 'person', beforeSecondStep: true, answer: z.object({ key: z.string(), picture: z.string() }) },
  ({ pembit, actor }) => beginSecondStep(pembit, actor),
);

/** Turns the second step on; the answer has the recovery codes. */
export const PUT = endpoint(
  {
    who: 'person',
    beforeSecondStep: true,
    limit: 'signIn',
    body,
    answer: z.object({ recovery: z.array(z.string()) }),
  },
  ({ pembit, actor, body }) => confirmSecondStep(pembit, actor, body.code),
);

/** Turns the second step off, by a code. */
export const DELETE = endpoint(
  { who: 'person', limit: 'signIn', body, answer: z.null() },
  ({ pembit, actor, body }) => endSecondStep(pembit, actor, body.code),
);
