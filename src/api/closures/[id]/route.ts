import { z } from 'zod';
import { closureId } from '@/core/ids';
import { removeClosure } from '@/server/frame/closures';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { closureRecord } from '../../records';

const params = z.object({ id: closureId });

/** A closure, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'closures', params, answer: closureRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'closures', params.id),
);

/** Opens closed days again. */
export const DELETE = endpoint(
  { who: 'person', row: 'closures', params, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params }) => {
    const outcome = await removeClosure(pembit, actor, params.id);
    return outcome.ok ? { ...outcome, value: { name: outcome.value.name } } : outcome;
  },
);
