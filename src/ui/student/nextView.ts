import { entryTexts } from '@/core/texts/entries';
import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { overAtMs } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { termOfCourse } from '@/core/plan/seenPlan';
import { searchable } from '@/core/searchable';
import { studentTexts } from '@/core/texts/student';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { termsInSight } from '@/core/time/term';
import type { ZoneLookup } from '@/core/time/zone';
import { instantMs } from '@/core/time/zone';
import { dayOf, isDay } from '@/core/time/zonedWall';
import type { DayLine } from './dayLines';
import { dayLine } from './dayLines';

export type NextDay = Readonly<{ key: string; heading: string; distance: string; lines: readonly DayLine[] }>;
export type NextView = Readonly<{
  now?: Readonly<{ label: string; line: DayLine }>;
  days: readonly NextDay[];
  /** Work whose time is over and that is not ticked. */
  wasDue: readonly DayLine[];
  /** Ticked work of the same days. */
  done: readonly DayLine[];
  /** How many lines were found, where something was looked for. */
  found?: number;
}>;

export const KIND_FILTERS = ['all', 'class', 'due', 'event', 'mine'] as const;
export type KindFilter = (typeof KIND_FILTERS)[number];

/** What a student looks for: words of a title, kinds, the days of a week. */
export type NextAsked = Readonly<{
  words?: string;
  kind?: KindFilter;
  /** The first day of a week to look at instead of the coming days. */
  week?: Temporal.PlainDate;
}>;

/** How many days ahead the student's home looks, and how long work that is over stays in sight while its term lasts. */
const AHEAD = 21;
const BACK = 14;
const KINDS: Readonly<Record<Exclude<KindFilter, 'all'>, readonly Occurrence['kind'][]>> = {
  class: ['class'],
  due: ['due', 'set'],
  event: ['event', 'announcement', 'siteDate', 'outside', 'closure'],
  mine: ['booking', 'note'],
};

/**
 * Today and the coming days, over all courses. Times that are offered stand on the sign-up page; here is what concerns
 * the student anyway. What is on now, or next today, stands first; what is ticked as done is out of the way.
 */
export function nextView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  {
    zoneOf,
    now,
    today,
    done = new Set(),
    asked = {},
    ahead = AHEAD,
  }: {
    zoneOf: ZoneLookup;
    now: Temporal.Instant;
    today: Temporal.PlainDate;
    /** Entries that are ticked. */
    done?: ReadonlySet<string>;
    asked?: NextAsked;
    /** How many days. */
    ahead?: number;
  },
): NextView {
  const nowMs = now.epochMilliseconds;
  const at = { now, zoneOf };
  const from = asked.week ?? today;
  const inDays = (o: Occurrence) => from.until(dayOf(o.start), { largestUnit: 'days' }).days;
  const words = searchable(asked.words ?? '')
    .split(/\s+/)
    .filter(Boolean);
  const wanted = (o: Occurrence) =>
    o.kind !== 'times' &&
    !(o.kind === 'booking' && !o.mine) &&
    (!asked.kind || asked.kind === 'all' || KINDS[asked.kind].includes(o.kind)) &&
    words.every((word) => searchable(o.title).includes(word));
  const own = occurrences.filter(wanted);
  const over = (o: Occurrence) => overAtMs(o, zoneOf(o.tzid)) <= nowMs;
  const coming = own.filter((o) =>
    asked.week ? inDays(o) >= 0 && inDays(o) < 7 : !over(o) && inDays(o) <= ahead,
  );
  const isDone = (o: Occurrence) => (o.kind === 'due' || o.kind === 'set') && done.has(o.entry);
  const left = coming.filter((o) => !isDone(o));
  const startMs = (o: Occurrence) => (isDay(o.start) ? Infinity : instantMs(zoneOf(o.tzid), o.start.wall));
  const first = left.find(
    (o) =>
      (o.kind === 'event' || o.kind === 'booking' || (o.kind === 'class' && o.cancelled === undefined)) &&
      !isDay(o.start) &&
      dayOf(o.start).equals(today) &&
      !over(o),
  );
  const label = (o: Occurrence) => {
    if (startMs(o) > nowMs)
      return studentTexts.upNext({ when: isDay(o.start) ? '' : timeLabel(o.start.wall, plan.locale) });
    return studentTexts.now({ until: o.end && !isDay(o.end) ? timeLabel(o.end.wall, plan.locale) : '' });
  };
  const days = new Map<string, Occurrence[]>();
  for (const o of left) {
    // What began on an earlier day and lasts stands under the first one.
    const day = Temporal.PlainDate.compare(dayOf(o.start), from) < 0 ? from : dayOf(o.start);
    days.set(day.toString(), [...(days.get(day.toString()) ?? []), o]);
  }
  const line = (o: Occurrence) => dayLine(o, plan, at);
  const inSight = termsInSight(plan.terms, today);
  /** Once a term is over, the days of its courses stand still: work stays as long as the term is in sight. */
  const wasDueFrom = (o: Occurrence) => {
    const term = termOfCourse(plan, o.courses[0]);
    const ended = term && inSight.has(term.id) && Temporal.PlainDate.compare(term.endsOn, today) < 0;
    return (ended ? term.endsOn : today).subtract({ days: BACK });
  };
  const wasDue = asked.week
    ? []
    : own.filter(
        (o) =>
          o.kind === 'due' &&
          over(o) &&
          !isDone(o) &&
          o.cancelled === undefined &&
          Temporal.PlainDate.compare(dayOf(o.start), wasDueFrom(o)) >= 0,
      );
  return {
    now: first && !asked.week ? { label: label(first), line: line(first) } : undefined,
    days: [...days].map(([key, list]) => ({
      key,
      ...headingOf(Temporal.PlainDate.from(key), today, plan),
      lines: list.map(line),
    })),
    wasDue: wasDue.map((o) => ({
      ...line(o),
      time: '',
      detail: studentTexts.wasDue({ when: dateLabel(dayOf(o.start), 'short', plan.locale) }),
    })),
    done: coming.filter((o) => o.kind === 'due' && isDone(o)).map(line),
    ...(words.length > 0 || (asked.kind && asked.kind !== 'all') ? { found: left.length } : {}),
  };
}

function headingOf(date: Temporal.PlainDate, today: Temporal.PlainDate, plan: SeenPlan) {
  const distance = today.until(date, { largestUnit: 'days' }).days;
  const name = distance === 0 ? studentTexts.today : distance === 1 ? studentTexts.tomorrow : undefined;
  const label = entryTexts.onDay({
    label: dateLabel(date, 'long', plan.locale),
    day: plan.dayNames.get(date.toString()),
  });
  return {
    heading: name ? `${name}, ${label}` : label,
    distance: distance > 1 ? studentTexts.inDays({ n: distance }) : '',
  };
}
