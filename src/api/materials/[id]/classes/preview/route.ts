import { z } from 'zod';
import { materialId } from '@/core/ids';
import { unitPlaceInput } from '@/core/materials/materialInput';
import { previewPlacing } from '@/server/materials/placeUnit';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: materialId });

const answer = z.object({
  lines: z.array(z.object({ ordinal: z.number(), title: z.string(), days: z.array(z.string()) })),
  left: z.array(z.string()),
});

/** Which item of a unit would stand on which class. */
export const POST = endpoint(
  { who: 'person', params, body: unitPlaceInput, answer },
  ({ pembit, actor, params, body }) => previewPlacing(pembit, actor, { unit: params.id, ...body }),
);
