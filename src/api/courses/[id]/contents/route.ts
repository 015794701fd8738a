import { z } from 'zod';
import { courseId } from '@/core/ids';
import { deletionOf } from '@/server/frame/archive';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({
  entries: z.number(),
  sheets: z.number(),
  bookings: z.number(),
  students: z.number(),
});

/** What deleting the course would take away. */
export const GET = endpoint({ who: 'person', params, answer }, ({ pembit, actor, params }) =>
  deletionOf(pembit, actor, params.id),
);
