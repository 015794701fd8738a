import { z } from 'zod';
import { guardianEndInput } from '@/core/guardians/guardianInput';
import { endGuardianAddress } from '@/server/guardians/issue';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Ends a guardian's address at once; the office may say why nobody of this name gets another. */
export const DELETE = endpoint(
  { who: 'person', params, body: guardianEndInput, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) => endGuardianAddress(pembit, actor, params.id, body),
);
