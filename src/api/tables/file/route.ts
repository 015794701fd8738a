import { z } from 'zod';
import { fileId } from '@/core/ids';
import { tableFileText } from '@/server/frame/bringTable';
import { endpoint } from '../../endpoint';

const body = z.object({ file: fileId });

/** The text of an uploaded table, CSV or a spreadsheet (.xlsx), for the administrator. */
export const POST = endpoint(
  { who: 'person', body, answer: z.object({ text: z.string() }) },
  ({ pembit, actor, body }) => tableFileText(pembit, actor, body.file),
);
