import { z } from 'zod';
import { courseId, sectionId } from '@/core/ids';
import { linkCourse } from '@/server/lti/linkCourse';
import { endpoint } from '../../../endpoint';

/** Says which course the one of a course’s site is, from which somebody has come. */
export const POST = endpoint(
  {
    who: 'person',
    params: z.object({ id: z.uuid() }),
    body: z.object({ course: courseId, section: sectionId.optional() }),
    answer: z.object({ to: z.string(), code: z.string() }),
  },
  ({ pembit, actor, params, body }) => linkCourse(pembit, actor, params.id, body),
);
