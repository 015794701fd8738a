import { z } from 'zod';
import { courseId } from '@/core/ids';
import { archiveCourse } from '@/server/frame/archive';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ archived: z.boolean({ error: 'Say whether it is archived: true or false.' }) });

/** Archives a course, or brings it back. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ code: z.string() }) },
  ({ pembit, actor, params, body }) => archiveCourse(pembit, actor, params.id, body.archived),
);
