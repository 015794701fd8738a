import { z } from 'zod';
import { calendarId } from '@/core/ids';
import { refreshNow } from '@/server/outside/calendars';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: calendarId });

/** Reads a calendar's source at once, and says what changed, or why it could not. */
export const POST = endpoint({ who: 'person', params }, async ({ pembit, actor, params }) =>
  refreshNow(pembit, actor, params.id),
);
