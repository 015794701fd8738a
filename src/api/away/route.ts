import { z } from 'zod';
import { awayInput } from '@/core/frame/awayInput';
import { beAway } from '@/server/frame/away';
import { endpoint } from '../endpoint';

/** Calls off one's own classes and times of some days, in all courses or in some. */
export const POST = endpoint(
  {
    who: 'person',
    body: awayInput,
    answer: z.object({ classes: z.number(), times: z.number(), told: z.number() }),
  },
  ({ pembit, actor, body }) => beAway(pembit, actor, body),
);
