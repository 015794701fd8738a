import { z } from 'zod';
import { personId } from '@/core/ids';
import { eraseAccount, exportPerson } from '@/server/people/erase';
import { endpoint } from '../../endpoint';

const params = z.object({ id: personId });
const body = z.object({ email: z.string({ error: 'Type the address of the person.' }).max(254) });

/** Everything held about a person, as a file. */
export const GET = endpoint({ who: 'person', params }, async ({ pembit, actor, params }) => {
  const outcome = await exportPerson(pembit, actor, params.id);
  return outcome.ok
    ? { ...outcome, headers: { 'content-disposition': `attachment; filename="person-${params.id}.json"` } }
    : outcome;
});

/** Erases a person's data; `email` is typed out, since there is no way back. */
export const DELETE = endpoint({ who: 'person', params, body }, ({ pembit, actor, params, body }) =>
  eraseAccount(pembit, actor, { id: params.id, email: body.email }),
);
