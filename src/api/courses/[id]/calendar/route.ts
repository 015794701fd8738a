import { z } from 'zod';
import { courseId, fileId } from '@/core/ids';
import { importCalendar } from '@/server/exchange/importCalendar';
import { importLine } from '@/ui/outside/importView';
import { endpoint } from '../../../endpoint';
import { importedLine } from '../../../records';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId, draft: z.boolean().default(false) });

const answer = z.object({
  left: z.array(importedLine),
  added: z.number(),
  changed: z.number(),
  same: z.number(),
});

/** Brings an uploaded calendar file into a course. */
export const POST = endpoint(
  { who: 'person', params, body, answer },
  async ({ pembit, actor, params, body }) => {
    const outcome = await importCalendar(pembit, actor, { course: params.id, ...body });
    return outcome.ok
      ? { ...outcome, value: { ...outcome.value, left: outcome.value.left.map(importLine) } }
      : outcome;
  },
);
