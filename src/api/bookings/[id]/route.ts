import { z } from 'zod';
import { bookingId } from '@/core/ids';
import { giveBack } from '@/server/signup/giveBack';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { bookingRecord } from '../../records';

const params = z.object({ id: bookingId });

/** A booking, as you see it. */
export const GET = endpoint({ who: 'person', params, answer: bookingRecord }, ({ pembit, actor, params }) =>
  oneListed(pembit, actor, 'bookings', params.id),
);

/** Gives the time back. */
export const DELETE = endpoint(
  { who: 'person', limit: 'booking', params, answer: z.object({ when: z.string() }) },
  ({ pembit, actor, params }) => giveBack(pembit, actor, params.id),
);
