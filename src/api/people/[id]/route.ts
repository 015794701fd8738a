import { z } from 'zod';
import { personId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import { changePerson, personChange } from '@/server/people/changePerson';
import { eraseAccount, exportPerson } from '@/server/people/erase';
import { successorByEmail } from '@/server/people/successor';
import { endpoint } from '../../endpoint';

const params = z.object({ id: personId });
const erasure = z.object({
  email: z.string({ error: 'Type the address of the person.' }).max(254),
  /** Who takes over the courses that nobody else instructs. */
  successor: z.string().max(254).default(''),
});

/** Everything held about a person, as a file: for the administrator, and for the person. */
export const GET = endpoint(
  { who: 'person', params, answer: z.record(z.string(), z.array(z.record(z.string(), z.unknown()))) },
  async ({ pembit, actor, params }) => {
    const outcome = await exportPerson(pembit, actor, params.id);
    return outcome.ok
      ? { ...outcome, headers: { 'content-disposition': `attachment; filename="person-${params.id}.json"` } }
      : outcome;
  },
);

/** Corrects a name or an address; both addresses are told. */
export const PUT = endpoint(
  { who: 'person', params, body: personChange, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) => changePerson(pembit, actor, params.id, body),
);

/** Erases a person's data; `email` is typed out, since there is no way back. */
export const DELETE = endpoint(
  { who: 'person', params, body: erasure, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const successor = await successorByEmail(pembit, body.successor);
    if (successor === null)
      return refused('badRequest', [{ field: 'successor', message: officeTexts.noSuccessor }]);
    return eraseAccount(pembit, actor, { id: params.id, email: body.email, successor });
  },
);
