import { z } from 'zod';
import { agreeToWebhook } from '@/server/webhooks/webhooks';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** The office agrees that an address is told who comes. */
export const PUT = endpoint(
  { who: 'person', params, answer: z.object({ host: z.string() }) },
  ({ pembit, actor, params }) => agreeToWebhook(pembit, actor, params.id),
);
