import { z } from 'zod';
import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { sheetInput } from '@/core/signup/sheetInput';
import { offerTimes } from '@/server/signup/offerTimes';
import { endpoint } from '../endpoint';
import { pageOf, sheetRecord } from '../records';

/** Offers times: a sign-up sheet. */
export const POST = endpoint(
  {
    who: 'person',
    body: sheetInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), title: z.string(), times: z.number() }),
  },
  async ({ pembit, actor, body }) => {
    const outcome = await offerTimes(pembit, actor, body);
    if (!outcome.ok) return outcome;
    const { id, title, slots } = outcome.value;
    return { ...outcome, value: { id, title, times: slots.length }, status: 201 };
  },
);

/** The sheets that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(sheetRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'sheets', query),
);
