import type { Temporal } from 'temporal-polyfill';
import { dayOf } from '../time/zonedWall';
import type { OutsideTime } from './outsideCalendar';

/** How schools and districts write of days without classes (common practice, no published source). */
const CLOSED =
  /\b(?:no\s+(?:school|classes|class|students|instruction)|(?:school|schools|campus|district|university|college)s?\s+(?:is\s+|are\s+)?closed|closure|snow\s+day|storm\s+day|school\s+holiday|(?:reading|study)\s+week|professional\s+development\s+day)\b/i;

/** The days of which an outside calendar says that there are no classes, each by its first day; what is called off says nothing. */
export const soundsClosed = (
  times: readonly OutsideTime[],
): readonly Readonly<{ day: Temporal.PlainDate; title: string }>[] =>
  times
    .filter(({ cancelled, title }) => !cancelled && CLOSED.test(title))
    .map(({ start, title }) => ({ day: dayOf(start), title }));
