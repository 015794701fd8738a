import { z } from 'zod';
import { termInput } from '@/core/frame/frameInput';
import { termId } from '@/core/ids';
import { changeTerm, deleteTerm } from '@/server/frame/terms';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { termRecord } from '../../records';

const params = z.object({ id: termId });

/** A term, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'terms', params, answer: termRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'terms', params.id),
);

const put = z.object({
  classesAdded: z.number(),
  classesLost: z.number(),
  entriesKept: z.number(),
  timesKept: z.number(),
  outside: z.number(),
});

/** Changes a term; its classes follow. */
export const PUT = endpoint(
  { who: 'person', row: 'terms', params, body: termInput, answer: put },
  ({ pembit, actor, params, body }) => changeTerm(pembit, actor, params.id, body),
);

/** Deletes a term whose courses are archived, with all that is in it. */
export const DELETE = endpoint(
  { who: 'person', row: 'terms', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => deleteTerm(pembit, actor, params.id),
);
