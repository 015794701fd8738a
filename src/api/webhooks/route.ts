import { z } from 'zod';
import { done } from '@/core/refusals';
import { FOLLOWED_LISTS, webhookInput } from '@/core/tokens/webhook';
import { makeWebhook, webhookRecord, webhooksFor } from '@/server/webhooks/webhooks';
import { endpoint } from '../endpoint';

const webhook = z.object({
  id: z.string(),
  token: z.string(),
  owner: z.string(),
  url: z.string(),
  lists: z.array(z.enum(FOLLOWED_LISTS)),
  created: z.string(),
  state: z.enum(['waiting', 'paused', 'fine', 'failing']),
  failure: z.string().optional(),
  lastTold: z.string().optional(),
});

/** One's own addresses that are told of changes; for an administrator those of others as well. */
export const GET = endpoint(
  { who: 'person', answer: z.object({ own: z.array(webhook), others: z.array(webhook) }) },
  async ({ pembit, actor }) => {
    const { own, others } = await webhooksFor(pembit, actor);
    return done({ own: own.map(webhookRecord), others: others.map(webhookRecord) });
  },
);

const made = z.object({ id: z.string(), host: z.string(), secret: z.string(), approved: z.boolean() });

/** Has an address told of what changes for a token; the secret that signs is in this answer alone. */
export const POST = endpoint(
  { who: 'person', body: webhookInput, answer: made },
  async ({ pembit, actor, body }) => ({ ...(await makeWebhook(pembit, actor, body)), status: 201 }),
);
