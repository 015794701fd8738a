import { z } from 'zod';
import { sendAnew } from '@/server/mail/failedMail';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Sends a letter anew that did not arrive. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ id: z.string() }) },
  ({ pembit, actor, params }) => sendAnew(pembit, actor, params.id),
);
