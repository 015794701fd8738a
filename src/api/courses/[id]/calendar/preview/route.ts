import { z } from 'zod';
import { courseId, fileId } from '@/core/ids';
import { previewImport } from '@/server/exchange/importCalendar';
import { importLine } from '@/ui/outside/importView';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId });

const answer = z.array(
  z.object({
    state: z.enum(['new', 'changed', 'left', 'same', 'noted']),
    title: z.string(),
    when: z.string(),
    line: z.number(),
    why: z.string(),
  }),
);

/** What an uploaded calendar file would bring into a course, event by event. */
export const POST = endpoint(
  { who: 'person', params, body, answer },
  async ({ pembit, actor, params, body }) => {
    const outcome = await previewImport(pembit, actor, { course: params.id, file: body.file });
    return outcome.ok ? { ...outcome, value: outcome.value.map(importLine) } : outcome;
  },
);
