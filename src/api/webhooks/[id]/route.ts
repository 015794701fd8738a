import { z } from 'zod';
import { endWebhook } from '@/server/webhooks/webhooks';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Tells an address nothing any more. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ host: z.string() }) },
  ({ pembit, actor, params }) => endWebhook(pembit, actor, params.id),
);
