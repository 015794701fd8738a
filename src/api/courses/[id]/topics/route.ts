import { z } from 'zod';
import { courseId } from '@/core/ids';
import { topicsInput } from '@/core/plan/classPlanInput';
import { writeTopics } from '@/server/plan/classPlans';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Puts pasted topics on classes. */
export const POST = endpoint(
  {
    who: 'person',
    params,
    body: topicsInput,
    bytes: 2 * 1024 * 1024,
    answer: z.object({ planned: z.number() }),
  },
  ({ pembit, actor, params, body }) => writeTopics(pembit, actor, params.id, body),
);
