import { z } from 'zod';
import { closureId } from '@/core/ids';
import { removeClosure } from '@/server/frame/closures';
import { endpoint } from '../../endpoint';

const params = z.object({ id: closureId });

/** Opens closed days again. */
export const DELETE = endpoint(
  { who: 'person', row: 'closures', params },
  async ({ pembit, actor, params }) => {
    const outcome = await removeClosure(pembit, actor, params.id);
    return outcome.ok ? { ...outcome, value: { name: outcome.value.name } } : outcome;
  },
);
