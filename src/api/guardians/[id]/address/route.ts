import { z } from 'zod';
import { replaceGuardianAddress } from '@/server/guardians/issue';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Gives a guardian another address; the old one has ended. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => replaceGuardianAddress(pembit, actor, params.id),
);
