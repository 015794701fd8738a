import { sheetInput } from '@/core/signup/sheetInput';
import { offerTimes } from '@/server/signup/offerTimes';
import { endpoint } from '../endpoint';

/** Offers times: a sign-up sheet. */
export const POST = endpoint(
  { who: 'person', body: sheetInput, bytes: 512 * 1024 },
  async ({ pembit, actor, body }) => {
    const outcome = await offerTimes(pembit, actor, body);
    if (!outcome.ok) return outcome;
    const { id, title, slots } = outcome.value;
    return { ...outcome, value: { id, title, times: slots.length }, status: 201 };
  },
);
