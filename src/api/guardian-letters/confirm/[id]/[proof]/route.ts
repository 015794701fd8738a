import { z } from 'zod';
import { confirmWeeks } from '@/server/guardians/weeksByLetter';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: z.uuid(), proof: z.string().max(100) });

/** Says that a mailbox wants the weeks that somebody asked for. */
export const POST = endpoint(
  { who: 'anyone', params, beforeSecondStep: true, answer: z.null() },
  ({ pembit, params }) => confirmWeeks(pembit, params.id, params.proof),
);
