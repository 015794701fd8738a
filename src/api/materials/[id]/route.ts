import { z } from 'zod';
import { materialId } from '@/core/ids';
import { materialInput } from '@/core/materials/materialInput';
import { changeMaterial, deleteMaterial } from '@/server/materials/editMaterials';
import { oneMaterial } from '@/server/lists/materialsList';
import { endpoint } from '../../endpoint';
import { materialRecord } from '../../records';

const params = z.object({ id: materialId });

/** A material, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'materials', params, answer: materialRecord },
  ({ pembit, actor, params }) => oneMaterial(pembit, actor, params.id),
);

/** Changes a material. */
export const PUT = endpoint(
  {
    who: 'person',
    row: 'materials',
    params,
    body: materialInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), title: z.string() }),
  },
  ({ pembit, actor, params, body }) => changeMaterial(pembit, actor, params.id, body),
);

/** Takes a material away with what it holds. */
export const DELETE = endpoint(
  { who: 'person', row: 'materials', params, answer: z.object({ title: z.string(), removed: z.number() }) },
  ({ pembit, actor, params }) => deleteMaterial(pembit, actor, params.id),
);
