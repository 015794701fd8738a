import { outletInput } from '@/core/outlets/outletInput';
import { emptyIn } from '@/server/outlets/heldBy';
import { endpoint } from '../../endpoint';

/** Which of the ticked kinds an outlet that is being composed would hold nothing of. */
export const POST = endpoint({ who: 'person', body: outletInput }, ({ pembit, actor, body }) =>
  emptyIn(pembit, actor, body),
);
