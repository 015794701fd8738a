import { z } from 'zod';
import { courseId } from '@/core/ids';
import { topicsInput } from '@/core/plan/classPlanInput';
import { previewTopics } from '@/server/plan/classPlans';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

/** Says on which classes pasted topics would fall. */
export const POST = endpoint(
  { who: 'person', params, body: topicsInput, bytes: 2 * 1024 * 1024 },
  ({ pembit, actor, params, body }) => previewTopics(pembit, actor, params.id, body),
);
