import { z } from 'zod';
import { sectionId } from '@/core/ids';
import { removeClass } from '@/server/frame/sections';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: sectionId, extra: z.uuid() });

/** Takes a class away that was added outside of the pattern. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ lost: z.number() }) },
  ({ pembit, actor, params }) => removeClass(pembit, actor, params.id, params.extra),
);
