import { z } from 'zod';
import { meetingId } from '@/core/ids';
import { trustOfClass } from '@/server/history/trustLines';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: meetingId });

const answer = z.object({
  lines: z.array(z.object({ what: z.string(), by: z.string(), told: z.string().optional() })),
  pending: z.object({ history: z.string(), seen: z.number() }).optional(),
});

/** How the class came to be when it is. */
export const GET = endpoint({ who: 'person', params, answer }, ({ pembit, actor, params }) =>
  trustOfClass(pembit, actor, params.id),
);
