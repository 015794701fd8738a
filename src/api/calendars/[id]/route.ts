import { z } from 'zod';
import { calendarId } from '@/core/ids';
import { calendarFacts } from '@/core/outside/calendarInput';
import { changeCalendar, deleteCalendar } from '@/server/outside/calendars';
import { endpoint } from '../../endpoint';

const params = z.object({ id: calendarId });

/** Changes what an outside calendar is called, for whom it is, and which of its days close. */
export const PUT = endpoint(
  { who: 'person', row: 'calendars', params, body: calendarFacts, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await changeCalendar(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, value: { name: outcome.value.name } } : outcome;
  },
);

/** Takes an outside calendar away, with its closures. */
export const DELETE = endpoint(
  { who: 'person', row: 'calendars', params, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params }) => {
    const outcome = await deleteCalendar(pembit, actor, params.id);
    return outcome.ok ? { ...outcome, value: { name: outcome.value.name } } : outcome;
  },
);
