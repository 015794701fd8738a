import { z } from 'zod';
import { guardianInput } from '@/core/guardians/guardianInput';
import { personId } from '@/core/ids';
import { issueGuardian, managedGuardians } from '@/server/guardians/issue';
import { endpoint } from '../endpoint';

const query = z.strictObject({ child: personId.optional() });

const found = z.object({
  adult: z.boolean(),
  minor: z.boolean().optional(),
  takes: z.boolean(),
  items: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      state: z.enum(['open', 'suspended', 'asleep', 'ended']),
      byOffice: z.boolean(),
      shows: z.array(z.enum(['own', 'bookings', 'places'])),
      page: z.string().optional(),
      feed: z.string().optional(),
      reads: z.array(z.object({ what: z.enum(['page', 'feed']), hour: z.string(), words: z.string() })),
      barred: z.string().optional(),
    }),
  ),
});

/** The addresses of one's own guardians; of a student's for the office. */
export const GET = endpoint({ who: 'person', query, answer: found }, ({ pembit, actor, query }) =>
  managedGuardians(pembit, actor, query.child ?? actor.person.id),
);

/** Issues an address for a guardian. */
export const POST = endpoint(
  { who: 'person', body: guardianInput, answer: z.object({ id: z.string(), name: z.string() }) },
  async ({ pembit, actor, body }) => ({
    ...(await issueGuardian(pembit, actor, body)),
    status: 201,
  }),
);
