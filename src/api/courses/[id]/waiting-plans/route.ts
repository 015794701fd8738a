import { z } from 'zod';
import { courseId } from '@/core/ids';
import { slideWaiting } from '@/server/plan/slideWaiting';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Slides all plans of a course that lost their class into the next ones: `{plans}`. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ plans: z.number() }) },
  ({ pembit, actor, params }) => slideWaiting(pembit, actor, params.id),
);
