import { z } from 'zod';
import { outletInput } from '@/core/outlets/outletInput';
import { done } from '@/core/refusals';
import { outletsFor, publish } from '@/server/outlets/publish';
import { guardianFeeds } from '@/server/guardians/issue';
import { endpoint } from '../endpoint';
import { publishedOutlet } from '../records';
import { outletRecord } from '../outletRecord';

const found = z.array(
  z.union([
    publishedOutlet,
    z.object({
      id: z.string(),
      kind: z.literal('feed'),
      audience: z.literal('guardian'),
      name: z.string(),
      url: z.string(),
    }),
  ]),
);

/** What you publish or own, with its addresses; those of your guardians as well. */
export const GET = endpoint({ who: 'person', answer: found }, async ({ pembit, actor }) => {
  const own = (await outletsFor(pembit, actor)).map(outletRecord);
  return done([...own, ...(await guardianFeeds(pembit, actor))]);
});

/** Publishes a feed or an embed. */
export const POST = endpoint(
  { who: 'person', body: outletInput, answer: publishedOutlet },
  async ({ pembit, actor, body }) => {
    const outcome = await publish(pembit, actor, body);
    return outcome.ok ? { ...outcome, value: outletRecord(outcome.value), status: 201 } : outcome;
  },
);
