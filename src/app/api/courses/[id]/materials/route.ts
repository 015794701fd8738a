import { z } from 'zod';
import { courseId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { addMaterial } from '@/server/materials/editMaterials';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Adds something to the outline. */
export const POST = endpoint(
  { who: 'person', params, body: newMaterialInput },
  async ({ pembit, actor, params, body }) => ({
    ...(await addMaterial(pembit, actor, params.id, body)),
    status: 201,
  }),
);
