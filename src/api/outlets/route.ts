import { outletInput } from '@/core/outlets/outletInput';
import { done } from '@/core/refusals';
import { outletsFor, publish } from '@/server/outlets/publish';
import { guardianFeeds } from '@/server/guardians/issue';
import { endpoint } from '../endpoint';
import { outletRecord } from '../outletRecord';

/** What you publish or own, with its addresses; those of your guardians as well. */
export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) => {
  const own = (await outletsFor(pembit, actor)).map(outletRecord);
  return done([...own, ...(await guardianFeeds(pembit, actor))]);
});

/** Publishes a feed or an embed. */
export const POST = endpoint({ who: 'person', body: outletInput }, async ({ pembit, actor, body }) => {
  const outcome = await publish(pembit, actor, body);
  return outcome.ok ? { ...outcome, value: outletRecord(outcome.value), status: 201 } : outcome;
});
