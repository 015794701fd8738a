import { z } from 'zod';
import { termId } from '@/core/ids';
import { termDeletion } from '@/server/frame/terms';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: termId });

const answer = z.object({
  entries: z.number(),
  sheets: z.number(),
  bookings: z.number(),
  students: z.number(),
  courses: z.number(),
  closures: z.number(),
  siteDates: z.number(),
  calendars: z.number(),
});

/** What deleting the term would take away. */
export const GET = endpoint({ who: 'person', params, answer }, ({ pembit, actor, params }) =>
  termDeletion(pembit, actor, params.id),
);
