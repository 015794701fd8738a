import { z } from 'zod';
import { meetingId } from '@/core/ids';
import { classPlanInput } from '@/core/plan/classPlanInput';
import { clearClass, planClass } from '@/server/plan/classPlans';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: meetingId });

/** Says what is taught in a class. */
export const PUT = endpoint(
  {
    who: 'person',
    params,
    body: classPlanInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), title: z.string() }),
  },
  ({ pembit, actor, params, body }) => planClass(pembit, actor, params.id, body),
);

/** Takes away what is taught in a class. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, params }) => clearClass(pembit, actor, params.id),
);
