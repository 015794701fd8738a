import { z } from 'zod';
import { longText } from '@/core/fields';
import { courseId } from '@/core/ids';
import { previewRoster } from '@/server/people/roster';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const list = z.object({ list: longText(2_000_000) });

const answer = z.object({
  lines: z.array(
    z.object({ line: z.number(), name: z.string(), email: z.string(), section: z.string().optional() }),
  ),
  known: z.array(
    z.object({ line: z.number(), name: z.string(), email: z.string(), section: z.string().optional() }),
  ),
  faults: z.array(z.object({ line: z.number(), message: z.string() })),
  passed: z.number(),
});

/** What a list would add, line by line; nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: list, bytes: 8 * 1024 * 1024, answer },
  ({ pembit, actor, params, body }) => previewRoster(pembit, actor, params.id, body.list),
);
