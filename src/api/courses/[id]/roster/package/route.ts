import { z } from 'zod';
import { courseId, fileId, sectionId } from '@/core/ids';
import { importRosterPackage } from '@/server/people/importRoster';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId, sections: z.record(z.string().max(200), sectionId).optional() });

/** Takes over a roster from an uploaded package (OneRoster 1.2 CSV). */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ added: z.number(), changed: z.number() }) },
  ({ pembit, actor, params, body }) => importRosterPackage(pembit, actor, params.id, body),
);
