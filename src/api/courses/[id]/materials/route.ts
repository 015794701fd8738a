import { z } from 'zod';
import { coursesOf } from '@/core/entries/viewer';
import { courseId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { done, refused } from '@/core/refusals';
import { addMaterial } from '@/server/materials/editMaterials';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { outlineRows } from '@/api/outlineRows';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

const found = z.array(
  z.object({
    id: z.string(),
    parent: z.string().optional(),
    unit: z.string(),
    depth: z.number(),
    kind: z.enum(['assignment', 'unit', 'page', 'webLink', 'webContent', 'recording', 'topic', 'test']),
    kindLabel: z.string(),
    title: z.string(),
    href: z.string(),
    outside: z.boolean(),
    url: z.string(),
    file: z.string().optional(),
    text: z.string(),
    visibleFrom: z.string(),
    note: z.string(),
    staff: z
      .object({
        uses: z.array(z.object({ words: z.string(), title: z.string(), href: z.string() })),
        recency: z.number(),
        link: z
          .object({
            state: z.enum(['signIn', 'moved', 'opens', 'slow', 'fails']),
            words: z.string(),
            why: z.string(),
          })
          .optional(),
      })
      .optional(),
  }),
);

/** The outline of a course as the asker may see it, from top to bottom. */
export const GET = endpoint({ who: 'person', params, answer: found }, async ({ pembit, actor, params }) => {
  if (!coursesOf(actor.viewer).includes(params.id)) return refused('notFound');
  const materials = await materialsSeenBy(pembit, actor.viewer);
  const plan = await planSeenBy(pembit, actor.viewer);
  return done(await outlineRows(pembit, actor, { plan, materials, course: params.id }));
});

/** Adds something to the outline. */
export const POST = endpoint(
  {
    who: 'person',
    params,
    body: newMaterialInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), title: z.string() }),
  },
  async ({ pembit, actor, params, body }) => ({
    ...(await addMaterial(pembit, actor, params.id, body)),
    status: 201,
  }),
);
