import { z } from 'zod';
import { personInput } from '@/core/people/personInput';
import { addPerson, findPeople } from '@/server/people/people';
import { endpoint } from '../endpoint';

const query = z.object({ q: z.string().trim().max(200).default('') });

/** People by name or address, at most 20; for the administrator. */
export const GET = endpoint({ who: 'person', query }, ({ pembit, actor, query }) =>
  findPeople(pembit, actor, query.q),
);

/** Adds somebody who teaches, for the administrator. */
export const POST = endpoint({ who: 'person', body: personInput }, async ({ pembit, actor, body }) => {
  const outcome = await addPerson(pembit, actor, body);
  return outcome.ok ? { ...outcome, status: 201 } : outcome;
});
