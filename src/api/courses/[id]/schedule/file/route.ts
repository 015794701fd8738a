import { z } from 'zod';
import { courseId, fileId } from '@/core/ids';
import { readScheduleFile } from '@/server/schedule/readScheduleFile';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ file: fileId });

/** The text of an uploaded schedule: a text file, CSV, a page, a spreadsheet (.xlsx), a document (.docx) or a calendar (.ics). */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ text: z.string() }) },
  ({ pembit, actor, params, body }) => readScheduleFile(pembit, actor, params.id, body.file),
);
