import { z } from 'zod';
import { courseId } from '@/core/ids';
import { scheduleInput } from '@/core/schedule/scheduleInput';
import { takeSchedule } from '@/server/schedule/takeSchedule';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({
  topics: z.number(),
  entries: z.number(),
  closures: z.number(),
  same: z.number(),
  left: z.array(z.object({ text: z.string(), why: z.string() })),
});

/** Plans the lines of a schedule, in one act. */
export const POST = endpoint(
  { who: 'person', params, body: scheduleInput, bytes: 2 * 1024 * 1024, answer },
  ({ pembit, actor, params, body }) => takeSchedule(pembit, actor, params.id, body),
);
