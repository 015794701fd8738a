import { z } from 'zod';
import { endSite } from '@/server/session/ownAccounts';
import { endpoint } from '../../../endpoint';

/** Ends that a course’s site opens one’s own account. */
export const DELETE = endpoint(
  { who: 'person', params: z.object({ id: z.uuid() }), answer: z.null() },
  ({ pembit, actor, params }) => endSite(pembit, actor, params.id),
);
