import { z } from 'zod';
import { MOST_BYTES, tableText } from '@/core/frame/tableInput';
import { previewTable } from '@/server/frame/bringTable';
import { endpoint } from '../../endpoint';

const answer = z.object({
  kind: z.enum(['courses', 'sections', 'staff', 'people']).optional(),
  fresh: z.array(z.object({ line: z.number(), words: z.string() })),
  same: z.number(),
  faults: z.array(z.object({ line: z.number(), message: z.string() })),
});

/** What a table would add, line by line, for the administrator; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body: tableText, bytes: MOST_BYTES, answer },
  ({ pembit, actor, body }) => previewTable(pembit, actor, body.text),
);
