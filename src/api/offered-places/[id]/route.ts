import { z } from 'zod';
import { answerPlace } from '@/server/people/offeredPlace';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });
const body = z.object({ accept: z.boolean({ error: 'Say true or false.' }) });

/** Takes a place in a course that was offered to somebody who teaches, or declines it. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ accepted: z.boolean() }) },
  ({ pembit, actor, params, body }) => answerPlace(pembit, actor, params.id, body.accept),
);
