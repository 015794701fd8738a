import { z } from 'zod';
import { agreeToGuardian } from '@/server/guardians/issue';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Agrees, as an adult, to an address that was issued before. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => agreeToGuardian(pembit, actor, params.id),
);
