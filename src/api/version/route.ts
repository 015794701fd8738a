import { z } from 'zod';
import { done } from '@/core/refusals';
import { endpoint } from '../endpoint';

/** A number that grows with each change of any plan: pages that show what others change ask for it. */
export const GET = endpoint({ who: 'person', answer: z.object({ version: z.number() }) }, ({ pembit }) =>
  Promise.resolve(done({ version: pembit.queue.version() })),
);
