import { z } from 'zod';
import { courseId } from '@/core/ids';
import { scheduleText } from '@/core/schedule/scheduleInput';
import { previewSchedule } from '@/server/schedule/takeSchedule';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

/** What a pasted schedule says, line by line; what is unclear is asked. Nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: scheduleText, bytes: 2 * 1024 * 1024 },
  ({ pembit, actor, params, body }) => previewSchedule(pembit, actor, params.id, body.text),
);
