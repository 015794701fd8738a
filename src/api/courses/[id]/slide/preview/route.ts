import { z } from 'zod';
import { courseId } from '@/core/ids';
import { slideInput } from '@/core/plan/slideInput';
import { previewSlide } from '@/server/plan/slidePlans';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({
  plans: z.number(),
  moves: z.array(
    z.object({
      plan: z.string(),
      title: z.string(),
      section: z.string(),
      from: z.string(),
      to: z.string(),
      fits: z.boolean(),
    }),
  ),
  follows: z.array(z.object({ title: z.string(), from: z.string(), to: z.string() })),
  offered: z.array(z.object({ id: z.string(), title: z.string(), from: z.string(), to: z.string() })),
});

/** Every from and to of a slide; nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: slideInput, answer },
  ({ pembit, actor, params, body }) => previewSlide(pembit, actor, params.id, body),
);
