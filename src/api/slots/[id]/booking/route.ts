import { z } from 'zod';
import { slotId } from '@/core/ids';
import { takeTimeInput } from '@/core/signup/sheetInput';
import { takeTime } from '@/server/signup/takeTime';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: slotId });

/** Takes the time for the person who asks. */
export const POST = endpoint(
  { who: 'person', limit: 'booking', params, body: takeTimeInput, answer: z.object({ booking: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await takeTime(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, value: { booking: outcome.value.booking.id }, status: 201 } : outcome;
  },
);
