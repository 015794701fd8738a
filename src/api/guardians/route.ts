import { z } from 'zod';
import { guardianInput } from '@/core/guardians/guardianInput';
import { personId } from '@/core/ids';
import { issueGuardian, managedGuardians } from '@/server/guardians/issue';
import { endpoint } from '../endpoint';

const query = z.strictObject({ child: personId.optional() });

/** The addresses of one's own guardians; of a student's for the office. */
export const GET = endpoint({ who: 'person', query }, ({ pembit, actor, query }) =>
  managedGuardians(pembit, actor, query.child ?? actor.person.id),
);

/** Issues an address for a guardian. */
export const POST = endpoint({ who: 'person', body: guardianInput }, async ({ pembit, actor, body }) => ({
  ...(await issueGuardian(pembit, actor, body)),
  status: 201,
}));
