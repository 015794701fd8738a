import { z } from 'zod';
import { calendarLook } from '@/core/outside/calendarInput';
import { outsidePreview } from '@/ui/outside/outsideView';
import { previewCalendar } from '@/server/outside/calendars';
import { endpoint } from '../../endpoint';

const answer = z.object({
  name: z.string(),
  count: z.number(),
  dates: z.array(z.object({ when: z.string(), title: z.string() })),
  skippedCount: z.number(),
  skipped: z.array(z.string()),
  warnedCount: z.number(),
  warned: z.array(z.string()),
  closures: z.array(z.string()),
  hits: z.array(z.string()),
});

/** What a calendar holds and what its closures would hit, before it is added. */
export const POST = endpoint(
  { who: 'person', body: calendarLook, answer },
  async ({ pembit, actor, body }) => {
    const outcome = await previewCalendar(pembit, actor, body);
    return outcome.ok ? { ...outcome, value: outsidePreview(outcome.value) } : outcome;
  },
);
