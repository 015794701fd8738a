import { z } from 'zod';
import { testWebhook } from '@/server/webhooks/webhooks';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Sends a test to an address now; `failure` says why it was not taken. */
export const POST = endpoint(
  {
    who: 'person',
    params,
    limit: 'linkTest',
    answer: z.object({ host: z.string(), failure: z.string().optional() }),
  },
  ({ pembit, actor, params }) => testWebhook(pembit, actor, params.id),
);
