import { z } from 'zod';
import { personId } from '@/core/ids';
import { sendInvitation } from '@/server/people/people';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: personId });

/** Sends a link for a first sign-in, or in place of a lost password. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => sendInvitation(pembit, actor, params.id),
);
