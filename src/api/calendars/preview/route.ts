import { calendarLook } from '@/core/outside/calendarInput';
import { outsidePreview } from '@/ui/outside/outsideView';
import { previewCalendar } from '@/server/outside/calendars';
import { endpoint } from '../../endpoint';

/** What a calendar holds and what its closures would hit, before it is added. */
export const POST = endpoint({ who: 'person', body: calendarLook }, async ({ pembit, actor, body }) => {
  const outcome = await previewCalendar(pembit, actor, body);
  return outcome.ok ? { ...outcome, value: outsidePreview(outcome.value) } : outcome;
});
