import { z } from 'zod';
import { materialId } from '@/core/ids';
import { placeInput } from '@/core/materials/materialInput';
import { moveMaterial } from '@/server/materials/editMaterials';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: materialId });

/** Puts it elsewhere in its outline. */
export const PUT = endpoint(
  { who: 'person', params, body: placeInput, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, params, body }) => moveMaterial(pembit, actor, params.id, body),
);
