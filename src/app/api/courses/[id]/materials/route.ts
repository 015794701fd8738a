import { z } from 'zod';
import { coursesOf } from '@/core/entries/viewer';
import { courseId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { done, refused } from '@/core/refusals';
import { addMaterial } from '@/server/materials/editMaterials';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { outlineView } from '@/ui/materials/outlineView';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** The outline of a course as the asker may see it, from top to bottom. */
export const GET = endpoint({ who: 'person', params }, async ({ pembit, actor, params }) => {
  if (!coursesOf(actor.viewer).includes(params.id)) return refused('notFound');
  const materials = await materialsSeenBy(pembit, actor.viewer);
  const { locale } = await planSeenBy(pembit, actor.viewer);
  return done(
    outlineView(
      materials.filter((material) => material.course === params.id),
      locale,
    ),
  );
});

/** Adds something to the outline. */
export const POST = endpoint(
  { who: 'person', params, body: newMaterialInput },
  async ({ pembit, actor, params, body }) => ({
    ...(await addMaterial(pembit, actor, params.id, body)),
    status: 201,
  }),
);
