import { z } from 'zod';
import { termInput } from '@/core/frame/frameInput';
import { termId } from '@/core/ids';
import { changeTerm, deleteTerm } from '@/server/frame/terms';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';

const params = z.object({ id: termId });

/** A term, as you see it. */
export const GET = endpoint({ who: 'person', row: 'terms', params }, ({ pembit, actor, params }) =>
  oneListed(pembit, actor, 'terms', params.id),
);

/** Changes a term; its classes follow. */
export const PUT = endpoint(
  { who: 'person', row: 'terms', params, body: termInput },
  ({ pembit, actor, params, body }) => changeTerm(pembit, actor, params.id, body),
);

/** Deletes a term whose courses are archived, with all that is in it. */
export const DELETE = endpoint({ who: 'person', row: 'terms', params }, ({ pembit, actor, params }) =>
  deleteTerm(pembit, actor, params.id),
);
