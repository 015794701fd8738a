import { z } from 'zod';
import { endLink } from '@/server/session/ownAccounts';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Ends the link between one’s account and the school’s sign-in. */
export const DELETE = endpoint({ who: 'person', params, answer: z.null() }, ({ pembit, actor, params }) =>
  endLink(pembit, actor, params.id),
);
