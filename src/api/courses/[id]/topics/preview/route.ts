import { z } from 'zod';
import { courseId } from '@/core/ids';
import { topicsInput } from '@/core/plan/classPlanInput';
import { previewTopics } from '@/server/plan/classPlans';
import { endpoint } from '../../../../endpoint';
import { classNumberRecord } from '../../../../records';

const params = z.object({ id: courseId });

const answer = z.object({
  lines: z.array(
    z.object({
      number: classNumberRecord,
      title: z.string(),
      days: z.array(z.string()),
      replaces: z.string().optional(),
    }),
  ),
  pinned: z.array(classNumberRecord),
  left: z.array(z.string()),
});

/** Says on which classes pasted topics would fall. */
export const POST = endpoint(
  { who: 'person', params, body: topicsInput, bytes: 2 * 1024 * 1024, answer },
  ({ pembit, actor, params, body }) => previewTopics(pembit, actor, params.id, body),
);
