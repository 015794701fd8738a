import { z } from 'zod';
import { courseId, fileId, sectionId } from '@/core/ids';
import { previewRosterPackage } from '@/server/people/importRoster';
import { endpoint } from '../../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId, sections: z.record(z.string().max(200), sectionId).optional() });

/** What an uploaded package of rosters would change; nothing is saved. */
export const POST = endpoint({ who: 'person', params, body }, ({ pembit, actor, params, body }) =>
  previewRosterPackage(pembit, actor, params.id, body),
);
