import { z } from 'zod';
import { sectionId } from '@/core/ids';
import { previewMerge } from '@/server/frame/mergeSections';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: sectionId });
const body = z.object({ into: sectionId });

/** What a merge would do; nothing is saved. */
export const POST = endpoint({ who: 'person', params, body }, ({ pembit, actor, params, body }) =>
  previewMerge(pembit, actor, { from: params.id, into: body.into }),
);
