import { addPerson, personInput } from '@/server/people/people';
import { endpoint } from '../endpoint';

export const POST = endpoint({ who: 'person', body: personInput }, async ({ pembit, actor, body }) => {
  const outcome = await addPerson(pembit, actor, body);
  return outcome.ok ? { ...outcome, status: 201 } : outcome;
});
