import { z } from 'zod';
import { courseId } from '@/core/ids';
import { materialListInput } from '@/core/materials/materialInput';
import { previewMaterials } from '@/server/materials/importMaterials';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({
  list: z.string(),
  lines: z.array(
    z.object({
      title: z.string(),
      kind: z.enum(['assignment', 'unit', 'page', 'webLink', 'webContent', 'recording', 'topic', 'test']),
      state: z.enum(['new', 'changed', 'same']),
      url: z.string(),
      unit: z.string(),
      line: z.number(),
    }),
  ),
  faults: z.array(z.object({ line: z.number(), message: z.string() })),
});

/** What a list would add to the outline; nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: materialListInput, bytes: 2 * 1024 * 1024, answer },
  ({ pembit, actor, params, body }) => previewMaterials(pembit, actor, params.id, body.list),
);
