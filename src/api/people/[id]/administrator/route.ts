import { z } from 'zod';
import { personId } from '@/core/ids';
import { setAdministrator } from '@/server/people/administrators';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: personId });
const body = z.object({ administrator: z.boolean({ error: 'Say true or false.' }) });

/** Makes somebody an administrator, or no longer one; never the last. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) =>
    setAdministrator(pembit, actor, { id: params.id, administrator: body.administrator }),
);
