import { z } from 'zod';
import { isStaffOf } from '@/core/entries/viewer';
import { courseId, fileId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { importPackage } from '@/server/materials/importPackage';
import { endpoint } from '../../../../endpoint';
import { progressAnswer } from '../../../../progressAnswer';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId });

/** Brings an uploaded package into the outline. It says how far it is, line by line. */
export const POST = endpoint(
  { who: 'person', params, body, answer: 'application/x-ndjson' },
  async ({ pembit, actor, params, body }) =>
    isStaffOf(actor.viewer, params.id)
      ? progressAnswer((progress) => importPackage(pembit, actor, params.id, body.file, progress))
      : refused('notFound'),
);
