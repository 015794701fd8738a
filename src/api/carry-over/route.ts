import { z } from 'zod';
import { carryInput } from '@/core/carryover/carry';
import { carryOverPlan } from '@/server/carryover/carryOverPlan';
import { endpoint } from '../endpoint';

/** Carries the plan of one course over to another. */
export const POST = endpoint(
  {
    who: 'person',
    body: carryInput,
    bytes: 2 * 1024 * 1024,
    answer: z.object({ carried: z.number(), code: z.string() }),
  },
  ({ pembit, actor, body }) => carryOverPlan(pembit, actor, body),
);
