import { z } from 'zod';
import { bookingId } from '@/core/ids';
import { markCame } from '@/server/signup/runTimes';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: bookingId });
const body = z.object({ came: z.boolean({ error: 'Say true, false or null.' }).nullable() });

/** Notes whether somebody came; null takes the note away. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) => markCame(pembit, actor, params.id, body.came ?? undefined),
);
