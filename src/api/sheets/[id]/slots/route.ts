import { z } from 'zod';
import { sheetId } from '@/core/ids';
import { slotInput } from '@/core/signup/sheetInput';
import { addSlot } from '@/server/signup/changeSlots';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });

/** Adds a single time. */
export const POST = endpoint(
  { who: 'person', params, body: slotInput, answer: z.object({ when: z.string() }) },
  async ({ pembit, actor, params, body }) => ({
    ...(await addSlot(pembit, actor, params.id, body)),
    status: 201,
  }),
);
