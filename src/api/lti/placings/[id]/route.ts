import { z } from 'zod';
import { placedInput } from '@/core/lti/placedInput';
import { place } from '@/server/lti/placing';
import { endpoint } from '../../../endpoint';

/** Signs what somebody places in a page of a course’s site, or that it is nothing; their browser takes it there. */
export const POST = endpoint(
  {
    who: 'person',
    params: z.object({ id: z.uuid() }),
    body: z.object({ placed: placedInput.optional() }),
    answer: z.object({ to: z.string(), jwt: z.string() }),
  },
  ({ pembit, actor, params, body }) => place(pembit, actor, params.id, body.placed),
);
