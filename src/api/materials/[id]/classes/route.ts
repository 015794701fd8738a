import { z } from 'zod';
import { materialId } from '@/core/ids';
import { unitPlaceInput } from '@/core/materials/materialInput';
import { placeUnitOnClasses } from '@/server/materials/placeUnit';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: materialId });

/** Plans a coming class for each item of a unit. */
export const POST = endpoint(
  { who: 'person', params, body: unitPlaceInput, answer: z.object({ planned: z.number() }) },
  ({ pembit, actor, params, body }) => placeUnitOnClasses(pembit, actor, { unit: params.id, ...body }),
);
