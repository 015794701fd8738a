import { z } from 'zod';
import { bookingId, slotId } from '@/core/ids';
import { moveBooking } from '@/server/signup/moveBooking';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: bookingId });
const body = z.object({ slot: slotId });

/** Exchanges one's time for another one of the same sheet. */
export const PUT = endpoint(
  { who: 'person', limit: 'booking', params, body, answer: z.object({ when: z.string() }) },
  ({ pembit, actor, params, body }) => moveBooking(pembit, actor, params.id, body.slot),
);
