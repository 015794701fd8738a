import { z } from 'zod';
import { outletInput } from '@/core/outlets/outletInput';
import { emptyIn } from '@/server/outlets/heldBy';
import { endpoint } from '../../endpoint';

const answer = z.object({
  empty: z.array(z.enum(['set', 'times', 'due', 'event', 'announcement', 'class', 'closure'])),
});

/** Which of the ticked kinds an outlet that is being composed would hold nothing of. */
export const POST = endpoint({ who: 'person', body: outletInput, answer }, ({ pembit, actor, body }) =>
  emptyIn(pembit, actor, body),
);
