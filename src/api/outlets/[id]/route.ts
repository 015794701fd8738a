import { z } from 'zod';
import { outletId } from '@/core/ids';
import { outletInput } from '@/core/outlets/outletInput';
import { changeOutlet, deleteOutlet } from '@/server/outlets/publish';
import { outletRecord } from '../../outletRecord';
import { endpoint } from '../../endpoint';
import { publishedOutlet } from '../../records';

const params = z.object({ id: outletId });

/** Changes what a feed or an embed holds; its address stays. */
export const PUT = endpoint(
  { who: 'person', row: 'outlets', params, body: outletInput, answer: publishedOutlet },
  async ({ pembit, actor, params, body }) => {
    const outcome = await changeOutlet(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, value: outletRecord(outcome.value) } : outcome;
  },
);

/** Deletes a feed or an embed: its address says so for a while, then is gone. */
export const DELETE = endpoint(
  { who: 'person', row: 'outlets', params, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params }) => {
    const outcome = await deleteOutlet(pembit, actor, params.id);
    return outcome.ok ? { ...outcome, value: { name: outcome.value.name } } : outcome;
  },
);
