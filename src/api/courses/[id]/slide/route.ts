import { z } from 'zod';
import { courseId } from '@/core/ids';
import { slideInput } from '@/core/plan/slideInput';
import { slidePlans } from '@/server/plan/slidePlans';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Slides class plans along the classes of their sections. */
export const POST = endpoint(
  { who: 'person', params, body: slideInput, answer: z.object({ moved: z.number() }) },
  ({ pembit, actor, params, body }) => slidePlans(pembit, actor, params.id, body),
);
