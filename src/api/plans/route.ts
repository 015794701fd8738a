import { z } from 'zod';
import { bringInput, bringPlan } from '@/server/exchange/bringPlan';
import { endpoint } from '../endpoint';

/** Adds the courses of an uploaded plan package, and their term where it is not here. */
export const POST = endpoint(
  { who: 'person', body: bringInput, answer: z.object({ courses: z.number(), term: z.string() }) },
  async ({ pembit, actor, body }) => ({
    ...(await bringPlan(pembit, actor, body)),
    status: 201,
  }),
);
