import { z } from 'zod';
import { entryId } from '@/core/ids';
import { entryHistory } from '@/server/history/entryHistory';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });

const answer = z.array(
  z.object({
    id: z.string(),
    at: z.string(),
    when: z.string(),
    summary: z.string(),
    by: z.string(),
    undone: z.boolean(),
  }),
);

/** What was done to the entry, newest first. */
export const GET = endpoint({ who: 'person', params, answer }, ({ pembit, actor, params }) =>
  entryHistory(pembit, actor, params.id),
);
