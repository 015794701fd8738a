import { z } from 'zod';
import { calendarId } from '@/core/ids';
import { refreshNow } from '@/server/outside/calendars';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: calendarId });

const answer = z.object({
  news: z.array(
    z.object({
      kind: z.enum(['new', 'changed', 'gone']),
      title: z.string(),
      was: z.string().optional(),
      now: z.string().optional(),
    }),
  ),
  failure: z.string().optional(),
});

/** Reads a calendar's source at once, and says what changed, or why it could not. */
export const POST = endpoint({ who: 'person', params, answer }, async ({ pembit, actor, params }) =>
  refreshNow(pembit, actor, params.id),
);
