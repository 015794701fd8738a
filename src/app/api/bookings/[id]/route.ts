import { z } from 'zod';
import { bookingId } from '@/core/ids';
import { giveBack } from '@/server/signup/giveBack';
import { endpoint } from '../../endpoint';

const params = z.object({ id: bookingId });

/** Gives the time back. */
export const DELETE = endpoint({ who: 'person', limit: 'booking', params }, ({ pembit, actor, params }) =>
  giveBack(pembit, actor, params.id),
);
