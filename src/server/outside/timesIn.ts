import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import type { OutsideTime } from '@/core/outside/outsideCalendar';
import { inTimeOrder, timesOfRead } from '@/core/outside/outsideTimes';
import type { Term } from '@/core/time/term';
import { inSlices } from '../worker/inSlices';

/** What of a calendar lies in a term, in slices: a long one holds up nobody. */
export async function timesIn(
  calendar: ReadCalendar,
  term: Pick<Term, 'startsOn' | 'endsOn' | 'tzid'>,
): Promise<OutsideTime[]> {
  const times = await inSlices(calendar.events, (event) => timesOfRead(event, term));
  return inTimeOrder(times.flat());
}
