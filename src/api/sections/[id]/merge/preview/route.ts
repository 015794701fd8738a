import { z } from 'zod';
import { sectionId } from '@/core/ids';
import { previewMerge } from '@/server/frame/mergeSections';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: sectionId });
const body = z.object({ into: sectionId });

const answer = z.object({
  from: z.string(),
  into: z.string(),
  students: z.number(),
  classes: z.number(),
  waiting: z.array(z.string()),
  entries: z.array(z.string()),
  sheets: z.array(z.string()),
  taken: z.number(),
  outlets: z.array(z.string()),
});

/** What a merge would do; nothing is saved. */
export const POST = endpoint({ who: 'person', params, body, answer }, ({ pembit, actor, params, body }) =>
  previewMerge(pembit, actor, { from: params.id, into: body.into }),
);
