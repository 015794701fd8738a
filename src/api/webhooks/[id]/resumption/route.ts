import { z } from 'zod';
import { resumeTelling } from '@/server/webhooks/webhooks';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Goes on with one that paused. */
export const PUT = endpoint(
  { who: 'person', params, answer: z.object({ host: z.string() }) },
  ({ pembit, actor, params }) => resumeTelling(pembit, actor, params.id),
);
