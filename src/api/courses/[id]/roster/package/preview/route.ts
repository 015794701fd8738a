import { z } from 'zod';
import { courseId, fileId, sectionId } from '@/core/ids';
import { previewRosterPackage } from '@/server/people/importRoster';
import { endpoint } from '../../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId, sections: z.record(z.string().max(200), sectionId).optional() });

const answer = z.object({
  classes: z.array(
    z.object({ id: z.string(), name: z.string(), students: z.number(), section: z.string().optional() }),
  ),
  lines: z.array(
    z.object({
      state: z.enum(['new', 'changed', 'same']),
      name: z.string(),
      section: z.string(),
      was: z.string(),
      proposes: z.boolean(),
    }),
  ),
  left: z.array(z.string()),
  faults: z.array(z.string()),
});

/** What an uploaded package of rosters would change; nothing is saved. */
export const POST = endpoint({ who: 'person', params, body, answer }, ({ pembit, actor, params, body }) =>
  previewRosterPackage(pembit, actor, params.id, body),
);
