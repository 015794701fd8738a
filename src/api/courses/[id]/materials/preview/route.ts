import { z } from 'zod';
import { courseId } from '@/core/ids';
import { materialListInput } from '@/core/materials/materialInput';
import { previewMaterials } from '@/server/materials/importMaterials';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

/** What a list would add to the outline; nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: materialListInput, bytes: 2 * 1024 * 1024 },
  ({ pembit, actor, params, body }) => previewMaterials(pembit, actor, params.id, body.list),
);
