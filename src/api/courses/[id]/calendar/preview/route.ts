import { z } from 'zod';
import { courseId, fileId } from '@/core/ids';
import { previewImport } from '@/server/exchange/importCalendar';
import { importLine } from '@/ui/outside/importView';
import { endpoint } from '../../../../endpoint';
import { importedLine } from '../../../../records';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId });

/** What an uploaded calendar file would bring into a course, event by event. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.array(importedLine) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await previewImport(pembit, actor, { course: params.id, file: body.file });
    return outcome.ok ? { ...outcome, value: outcome.value.map(importLine) } : outcome;
  },
);
