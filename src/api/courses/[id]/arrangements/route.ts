import { z } from 'zod';
import { courseId } from '@/core/ids';
import { arrange, arrangeInput } from '@/server/people/arrange';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Gives a student so many days more for all work of the course; 0 ends it. */
export const PUT = endpoint(
  {
    who: 'person',
    params,
    body: arrangeInput.omit({ course: true }),
    answer: z.object({ changed: z.number() }),
  },
  ({ pembit, actor, params, body }) => arrange(pembit, actor, { course: params.id, ...body }),
);
