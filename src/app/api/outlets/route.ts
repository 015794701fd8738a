import { outletInput } from '@/core/outlets/outletInput';
import { done } from '@/core/refusals';
import { outletsFor, publish } from '@/server/outlets/publish';
import { endpoint } from '../endpoint';
import { outletRecord } from '../outletRecord';

/** What you publish or own, with its addresses. */
export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) =>
  done((await outletsFor(pembit, actor)).map(outletRecord)),
);

/** Publishes a feed or an embed. */
export const POST = endpoint({ who: 'person', body: outletInput }, async ({ pembit, actor, body }) => {
  const outcome = await publish(pembit, actor, body);
  return outcome.ok ? { ...outcome, value: outletRecord(outcome.value), status: 201 } : outcome;
});
