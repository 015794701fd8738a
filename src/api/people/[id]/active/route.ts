import { z } from 'zod';
import { personId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { officeTexts } from '@/core/texts/office';
import { setDeactivated } from '@/server/people/changePerson';
import { successorByEmail } from '@/server/people/successor';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: personId });
const body = z.object({
  active: z.boolean({ error: 'Say true or false.' }),
  successor: z.string().max(254).default(''),
});

/** Deactivates somebody, short of erasing, or activates them again. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const successor = await successorByEmail(pembit, body.successor);
    if (successor === null)
      return refused('badRequest', [{ field: 'successor', message: officeTexts.noSuccessor }]);
    return setDeactivated(pembit, actor, { id: params.id, deactivated: !body.active, successor });
  },
);
