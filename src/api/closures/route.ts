import { z } from 'zod';
import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { closureInput } from '@/core/frame/frameInput';
import { addClosure } from '@/server/frame/closures';
import { endpoint } from '../endpoint';
import { closureRecord, pageOf } from '../records';

/** Closes days, or the rest of them, for the whole school or a course. */
export const POST = endpoint(
  {
    who: 'person',
    body: closureInput,
    answer: z.object({ id: z.string(), name: z.string(), told: z.number() }),
  },
  async ({ pembit, actor, body }) => {
    const outcome = await addClosure(pembit, actor, body);
    return outcome.ok
      ? {
          ...outcome,
          value: { id: outcome.value.id, name: outcome.value.name, told: outcome.value.told },
          status: 201,
        }
      : outcome;
  },
);

/** The closures that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(closureRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'closures', query),
);
