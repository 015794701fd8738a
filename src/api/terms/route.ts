import { z } from 'zod';
import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { termInput } from '@/core/frame/frameInput';
import { addTerm } from '@/server/frame/terms';
import { endpoint } from '../endpoint';
import { pageOf, termRecord } from '../records';

/** Adds a term, for the administrator. */
export const POST = endpoint(
  { who: 'person', body: termInput, answer: z.object({ id: z.string(), name: z.string() }) },
  async ({ pembit, actor, body }) => {
    const outcome = await addTerm(pembit, actor, body);
    return outcome.ok
      ? { ...outcome, value: { id: outcome.value.id, name: outcome.value.name }, status: 201 }
      : outcome;
  },
);

/** The terms that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(termRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'terms', query),
);
