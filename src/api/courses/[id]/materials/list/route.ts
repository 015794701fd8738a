import { z } from 'zod';
import { courseId } from '@/core/ids';
import { materialListInput } from '@/core/materials/materialInput';
import { importMaterials } from '@/server/materials/importMaterials';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

/** Brings a list into the outline. */
export const POST = endpoint(
  {
    who: 'person',
    params,
    body: materialListInput,
    bytes: 2 * 1024 * 1024,
    answer: z.object({ added: z.number(), changed: z.number() }),
  },
  ({ pembit, actor, params, body }) => importMaterials(pembit, actor, params.id, body.list),
);
