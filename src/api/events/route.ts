import { z } from 'zod';
import { FOLLOWED_LISTS } from '@/core/tokens/webhook';
import { follow } from '@/server/following/follow';
import { endpoint } from '../endpoint';
import { whoAsks } from '../whoAsks';

const query = z.strictObject({
  /** `next` of the answer before; absent: from now on. */
  after: z.uuid('This is no cursor.').optional(),
  /** So many seconds it waits where nothing happened. */
  wait: z.coerce
    .number({ error: 'Type a number.' })
    .min(0, 'At least 0.')
    .max(60, 'At most 60 seconds.')
    .default(0),
});

const list = z.enum(FOLLOWED_LISTS);
const answer = z.object({
  events: z.array(
    z.union([
      z.object({ list, change: z.enum(['new', 'changed']), id: z.string(), uid: z.string() }),
      z.object({ list, change: z.literal('gone'), uid: z.string() }),
    ]),
  ),
  next: z.string(),
});

/** What began, ceased or changed for whoever asks since a cursor. */
export const GET = endpoint({ who: 'person', query, answer }, ({ pembit, request, query }) =>
  follow(pembit, query, async () => {
    const asks = await whoAsks(pembit, request, {});
    return 'actor' in asks ? asks.actor : undefined;
  }),
);
