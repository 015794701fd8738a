import { z } from 'zod';
import { isStaffOf } from '@/core/entries/viewer';
import { courseId, fileId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { previewPackage } from '@/server/materials/importPackage';
import { endpoint } from '../../../../../endpoint';
import { progressAnswer } from '../../../../../progressAnswer';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId });

/** Says what an uploaded package would add and change. It says how far it is, line by line. */
export const POST = endpoint(
  { who: 'person', params, body, answer: 'application/x-ndjson' },
  async ({ pembit, actor, params, body }) =>
    isStaffOf(actor.viewer, params.id)
      ? progressAnswer((progress) => previewPackage(pembit, actor, params.id, body.file, progress))
      : refused('notFound'),
);
