import { z } from 'zod';
import { done } from '@/core/refusals';
import { lookNow } from '@/server/students/changes';
import { endpoint } from '../endpoint';

/** Says that what has changed up to now was seen. */
export const DELETE = endpoint({ who: 'person', answer: z.null() }, async ({ pembit, actor }) => {
  await lookNow(pembit, actor);
  return done(null);
});
