import { termInput } from '@/core/frame/frameInput';
import { addTerm } from '@/server/frame/terms';
import { endpoint } from '../endpoint';

/** Adds a term, for the administrator. */
export const POST = endpoint({ who: 'person', body: termInput }, async ({ pembit, actor, body }) => {
  const outcome = await addTerm(pembit, actor, body);
  return outcome.ok
    ? { ...outcome, value: { id: outcome.value.id, name: outcome.value.name }, status: 201 }
    : outcome;
});
