import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrences';
import { overAtMs } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { studentTexts } from '@/core/texts/student';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { instantMs } from '@/core/time/zone';
import { dayOf, isDay } from '@/core/time/zonedWall';
import type { DayLine } from './dayLines';
import { dayLine } from './dayLines';

export type NextDay = Readonly<{ key: string; heading: string; distance: string; lines: readonly DayLine[] }>;
export type NextView = Readonly<{
  now?: Readonly<{ label: string; line: DayLine }>;
  days: readonly NextDay[];
}>;

/** How many days ahead the student's home looks. */
const AHEAD = 21;

/**
 * Today and the coming days, over all courses. Times that are offered stand on the sign-up page; here is what concerns
 * the student anyway. What is on now, or next today, stands first.
 */
export function nextView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  { zoneOf, now, today }: { zoneOf: ZoneLookup; now: Temporal.Instant; today: Temporal.PlainDate },
): NextView {
  const nowMs = now.epochMilliseconds;
  const at = { now, zoneOf };
  const coming = occurrences.filter(
    (o) =>
      o.kind !== 'times' &&
      !(o.kind === 'booking' && !o.mine) &&
      overAtMs(o, zoneOf(o.tzid)) > nowMs &&
      today.until(dayOf(o.start), { largestUnit: 'days' }).days <= AHEAD,
  );
  const startMs = (o: Occurrence) => (isDay(o.start) ? Infinity : instantMs(zoneOf(o.tzid), o.start.wall));
  const first = coming.find(
    (o) =>
      (o.kind === 'event' || o.kind === 'booking' || (o.kind === 'class' && o.cancelled === undefined)) &&
      !isDay(o.start) &&
      dayOf(o.start).equals(today),
  );
  const label = (o: Occurrence) => {
    if (startMs(o) > nowMs) return studentTexts.upNext(isDay(o.start) ? '' : timeLabel(o.start.wall));
    return studentTexts.now(o.end && !isDay(o.end) ? timeLabel(o.end.wall) : '');
  };
  const days = new Map<string, Occurrence[]>();
  for (const o of coming) {
    // What began on an earlier day and lasts stands under today.
    const day = Temporal.PlainDate.compare(dayOf(o.start), today) < 0 ? today : dayOf(o.start);
    days.set(day.toString(), [...(days.get(day.toString()) ?? []), o]);
  }
  return {
    now: first && { label: label(first), line: dayLine(first, plan, at) },
    days: [...days].map(([key, list]) => {
      const date = Temporal.PlainDate.from(key);
      const distance = today.until(date, { largestUnit: 'days' }).days;
      const name = distance === 0 ? studentTexts.today : distance === 1 ? studentTexts.tomorrow : undefined;
      return {
        key,
        heading: name
          ? `${name}, ${dateLabel(date, 'long', plan.locale)}`
          : dateLabel(date, 'long', plan.locale),
        distance: distance > 1 ? studentTexts.inDays(distance) : '',
        lines: list.map((o) => dayLine(o, plan, at)),
      };
    }),
  };
}
