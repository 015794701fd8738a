import { z } from 'zod';
import { entryId } from '@/core/ids';
import { actOnSeveral } from '@/server/entries/bulk';
import { endpoint } from '../../endpoint';

const body = z.object({
  ids: z.array(entryId).min(1, 'Choose at least one entry.').max(500, 'At most 500 entries at once.'),
  act: z.enum(['delete', 'cancel', 'show', 'draft'], {
    error: 'Say what to do: "delete", "cancel", "show" or "draft".',
  }),
});

/** One act on several entries: all of them, or none. */
export const POST = endpoint({ who: 'person', body }, ({ pembit, actor, body }) =>
  actOnSeveral(pembit, actor, [...new Set(body.ids)], body.act),
);
