import { z } from 'zod';
import { entryId } from '@/core/ids';
import { trustOfEntry } from '@/server/history/trustLines';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });

const answer = z.object({
  lines: z.array(z.object({ what: z.string(), by: z.string(), told: z.string().optional() })),
  pending: z.object({ history: z.string(), seen: z.number() }).optional(),
});

/** How the entry came to be as it is, as whoever asks could see it; for staff also whom it was told, and who is still to be told. */
export const GET = endpoint({ who: 'person', params, answer }, ({ pembit, actor, params }) =>
  trustOfEntry(pembit, actor, params.id),
);
