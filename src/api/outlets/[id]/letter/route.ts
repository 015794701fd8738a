import { z } from 'zod';
import { outletId } from '@/core/ids';
import { mailAddress } from '@/server/outlets/mailAddress';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: outletId });

/** Sends the address of an outlet that you may change to your own mailbox: `{to}`. */
export const POST = endpoint(
  { who: 'person', limit: 'letter', params, answer: z.object({ to: z.string() }) },
  ({ pembit, actor, params }) => mailAddress(pembit, actor, params.id),
);
