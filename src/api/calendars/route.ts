import { z } from 'zod';
import { calendarInput } from '@/core/outside/calendarInput';
import { done } from '@/core/refusals';
import { addCalendar, calendarsFor } from '@/server/outside/calendars';
import { endpoint } from '../endpoint';

const found = z.array(
  z.object({
    id: z.string(),
    name: z.string(),
    url: z.string(),
    seenBy: z.enum(['staff', 'everyone']),
    active: z.boolean(),
    dates: z.number(),
    readAt: z.string().optional(),
    failure: z.string().optional(),
  }),
);

/** The outside calendars beside what the signed-in person teaches, without their dates. */
export const GET = endpoint({ who: 'person', answer: found }, async ({ pembit, actor }) =>
  done(
    (await calendarsFor(pembit, actor)).map(({ calendar, state }) => ({
      id: calendar.id,
      name: calendar.name,
      url: calendar.url,
      seenBy: calendar.seenBy,
      active: calendar.active,
      dates: calendar.times.length,
      readAt: state?.readAt === undefined ? undefined : new Date(state.readAt).toISOString(),
      failure: state?.failure || undefined,
    })),
  ),
);

/** Adds an outside calendar by its address or as an uploaded file. */
export const POST = endpoint(
  {
    who: 'person',
    body: calendarInput,
    answer: z.object({ id: z.string(), name: z.string(), dates: z.number() }),
  },
  async ({ pembit, actor, body }) => {
    const outcome = await addCalendar(pembit, actor, body);
    if (!outcome.ok) return outcome;
    const { id, name, times } = outcome.value;
    return { ...outcome, value: { id, name, dates: times.length }, status: 201 };
  },
);
