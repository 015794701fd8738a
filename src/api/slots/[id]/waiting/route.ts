import { z } from 'zod';
import { slotId } from '@/core/ids';
import { stopWaiting, waitFor } from '@/server/signup/waitFor';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: slotId });

/** Waits for a time that is taken. */
export const POST = endpoint(
  { who: 'person', limit: 'booking', params, answer: z.object({ when: z.string() }) },
  async ({ pembit, actor, params }) => ({
    ...(await waitFor(pembit, actor, params.id)),
    status: 201,
  }),
);

/** Waits no more. */
export const DELETE = endpoint(
  { who: 'person', limit: 'booking', params, answer: z.null() },
  ({ pembit, actor, params }) => stopWaiting(pembit, actor, params.id),
);
