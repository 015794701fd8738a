import { z } from 'zod';
import { pageCursor, pageLimit } from '@/core/frame/listQuery';
import { personInput } from '@/core/people/personInput';
import { findPeople } from '@/server/people/findPeople';
import { addPerson } from '@/server/people/people';
import { endpoint } from '../endpoint';
import { pageOf } from '../records';

const query = z.strictObject({
  q: z.string().trim().max(200).default(''),
  limit: pageLimit,
  cursor: pageCursor,
});

const found = pageOf(
  z.object({
    id: z.string(),
    name: z.string(),
    email: z.string(),
    isAdmin: z.boolean(),
    deactivated: z.boolean(),
    secondStep: z.boolean(),
  }),
);

/** People by name or address, in the order of their names, a page at a time; for the administrator. */
export const GET = endpoint({ who: 'person', query, answer: found }, ({ pembit, actor, query }) =>
  findPeople(pembit, actor, { words: query.q, limit: query.limit, cursor: query.cursor }),
);

/** Adds somebody who teaches, for the administrator. */
export const POST = endpoint(
  { who: 'person', body: personInput, answer: z.object({ id: z.string(), name: z.string() }) },
  async ({ pembit, actor, body }) => {
    const outcome = await addPerson(pembit, actor, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);
