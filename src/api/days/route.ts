import { z } from 'zod';
import { markedDays } from '@/core/plan/markedDays';
import { done } from '@/core/refusals';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { endpoint } from '../endpoint';

const answer = z.record(
  z.string(),
  z.object({
    closed: z.string().optional(),
    classes: z.array(z.string()).optional(),
    siteDates: z.array(z.string()).optional(),
  }),
);

/** What is marked on a day in the calendars in which days are chosen. */
export const GET = endpoint({ who: 'person', answer }, async ({ pembit, actor }) => {
  return done(markedDays(await planSeenBy(pembit, actor.viewer)));
});
