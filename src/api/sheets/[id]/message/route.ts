import { z } from 'zod';
import { longText } from '@/core/fields';
import { bookingId, sheetId } from '@/core/ids';
import { messageBooked } from '@/server/signup/runTimes';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });
const body = z.object({
  text: longText(5000).refine((text) => text.trim() !== '', 'Write what you want to say.'),
  /** Without any: all who have a time still to come. */
  bookings: z.array(bookingId).max(500, 'At most 500 at once.').optional(),
});

/** Writes to those who come. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ told: z.number() }) },
  ({ pembit, actor, params, body }) => messageBooked(pembit, actor, params.id, body),
);
