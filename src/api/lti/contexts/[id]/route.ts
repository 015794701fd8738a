import { z } from 'zod';
import { unlinkCourse } from '@/server/lti/linkCourse';
import { endpoint } from '../../../endpoint';

/** Ends the link of a course with its site. */
export const DELETE = endpoint(
  { who: 'person', params: z.object({ id: z.uuid() }), answer: z.null() },
  ({ pembit, actor, params }) => unlinkCourse(pembit, actor, params.id),
);
