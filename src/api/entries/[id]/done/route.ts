import { z } from 'zod';
import { entryId } from '@/core/ids';
import { tickDone } from '@/server/students/done';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });
const body = z.object({ done: z.boolean({ error: 'Say true or false.' }) });

/** Ticks work as done for oneself, or takes the tick away. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ done: z.boolean() }) },
  async ({ pembit, actor, params, body }) => tickDone(pembit, actor, params.id, body.done),
);
