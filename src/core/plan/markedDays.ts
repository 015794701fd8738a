import { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from './seenPlan';

/** What a calendar in which a day is chosen marks and names: no classes, whose classes, site dates. */
export type MarkedDay = Readonly<{
  closed?: string;
  classes?: readonly string[];
  siteDates?: readonly string[];
}>;

/** By day, as `2026-10-15`. */
export type MarkedDays = Readonly<Record<string, MarkedDay>>;

type Marked = { closed?: string; classes?: string[]; siteDates?: string[] };

/** Every day of a half-open stretch. */
function* daysOf(start: Temporal.PlainDate, end: Temporal.PlainDate): Generator<string> {
  for (let day = start; Temporal.PlainDate.compare(day, end) < 0; day = day.add({ days: 1 }))
    yield day.toString();
}

/** The marks of all days of a plan on which something is marked; classes that were called off are none. */
export function markedDays({ classes, closures, siteDates }: SeenPlan): MarkedDays {
  const days = new Map<string, Marked>();
  const at = (day: string) => days.get(day) ?? days.set(day, {}).get(day)!;
  for (const { meeting, course } of classes) {
    if (meeting.cancelled !== undefined || meeting.until) continue;
    const marked = at(meeting.date.toString());
    if (!marked.classes?.includes(course.code)) marked.classes = [...(marked.classes ?? []), course.code];
  }
  for (const { start, end, name, course } of closures)
    if (course === undefined) for (const day of daysOf(start, end)) at(day).closed ??= name;
  for (const { start, end, name } of siteDates)
    for (const day of daysOf(start, end)) at(day).siteDates = [...(at(day).siteDates ?? []), name];
  return Object.fromEntries(days);
}
