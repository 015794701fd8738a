import { z } from 'zod';
import { courseId } from '@/core/ids';
import { slideInput } from '@/core/plan/slideInput';
import { previewSlide } from '@/server/plan/slidePlans';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

/** Every from and to of a slide; nothing is saved. */
export const POST = endpoint({ who: 'person', params, body: slideInput }, ({ pembit, actor, params, body }) =>
  previewSlide(pembit, actor, params.id, body),
);
