import { z } from 'zod';
import { takeCorrection } from '@/server/people/takeCorrection';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });
const body = z.object({ take: z.boolean({ error: 'Say true or false.' }) });

/** Takes over what a course’s list says of somebody, or leaves it. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) => takeCorrection(pembit, actor, params.id, body.take),
);
