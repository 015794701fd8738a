import { z } from 'zod';
import { longText } from '@/core/fields';
import { personId, slotId } from '@/core/ids';
import { bookFor } from '@/server/signup/takeTime';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: slotId });
const body = z.object({ person: personId, note: longText(1000).default('') });

/** Staff book a time for a student. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ booking: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await bookFor(pembit, actor, { slot: params.id, ...body });
    return outcome.ok ? { ...outcome, value: { booking: outcome.value.booking.id }, status: 201 } : outcome;
  },
);
