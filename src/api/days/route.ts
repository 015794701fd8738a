import { markedDays } from '@/core/plan/markedDays';
import { done } from '@/core/refusals';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { endpoint } from '../endpoint';

/** What is marked on a day in the calendars in which days are chosen. */
export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) => {
  return done(markedDays(await planSeenBy(pembit, actor.viewer)));
});
