import { z } from 'zod';
import { plainDate } from '@/core/fields';
import { courseId } from '@/core/ids';
import { beginCourse } from '@/server/students/ownStart';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({
  /** Absent: not begun yet. */
  on: plainDate.optional(),
  /** Whether the staff may know whose it is, and what is ticked. */
  shared: z.boolean({ error: 'Say true or false.' }).default(false),
});

/** Says when one begins a course whose work is due by each student's own start. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ on: z.string().optional() }) },
  ({ pembit, actor, params, body }) => beginCourse(pembit, actor, params.id, body),
);
