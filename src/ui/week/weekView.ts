import { closureTitle } from '@/core/plan/closureTitle';
import { entryTexts } from '@/core/texts/entries';
import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import { inLanes } from '@/core/plan/lanes';
import { weekTexts } from '@/core/texts/week';
import { dateLabel } from '@/core/time/dateLabels';
import { weekNumber, weekStartOf } from '@/core/time/term';
import { isDay } from '@/core/time/zonedWall';
import type { GridItem } from '../term/termMarks';
import type { SeenTerm } from '../term/termView';
import { isPartly } from '../term/termView';
import { itemOf } from '../term/termMarks';

/** A mark with a time of day: minutes from midnight, and the lane it is drawn in. */
export type WeekBlock = Readonly<{ item: GridItem; from: number; to: number; lane: number; lanes: number }>;
export type WeekDay = Readonly<{
  date: string;
  label: string;
  long: string;
  today: boolean;
  closed?: string;
  /** The closure is of some sections alone: the day is one of classes. */
  partly?: boolean;
  allDay: readonly GridItem[];
  blocks: readonly WeekBlock[];
}>;
export type WeekView = Readonly<{
  title: string;
  /** The hours that are drawn, the last one exclusive. */
  hours: readonly [first: number, end: number];
  /** How dates and times are written. */
  locale: string;
  days: readonly WeekDay[];
  previous: string;
  next: string;
  /** Minutes from midnight, where today is in this week. */
  nowMinutes?: number;
}>;

const MIDNIGHT = 24 * 60;
/** What has no end is drawn as long as this. */
const SHORTEST = 45;
const minutesOf = (time: Temporal.PlainDateTime) => time.hour * 60 + time.minute;

function blocksOn(
  date: Temporal.PlainDate,
  here: readonly Occurrence[],
  item: (o: Occurrence) => GridItem,
): WeekBlock[] {
  const timed = here.flatMap((o) => {
    if (isDay(o.start)) return [];
    const start = o.start.wall;
    const end = o.end && !isDay(o.end) ? o.end.wall : start;
    // Over midnight: each day shows its part.
    const from = start.toPlainDate().equals(date) ? minutesOf(start) : 0;
    const to = end.toPlainDate().equals(date) ? minutesOf(end) : MIDNIGHT;
    return [{ o, start: from, end: Math.min(MIDNIGHT, Math.max(to, from + SHORTEST)) }];
  });
  return inLanes(timed).map(({ o, start, end, lane, lanes }) => ({
    // Side by side there is no room for the hour again.
    item: lanes > 1 ? { ...item(o), by: undefined } : item(o),
    from: start,
    to: end,
    lane,
    lanes,
  }));
}

/** One week by the hour. Positions are wall times, so that a class stands where it always does when the clocks change. */
export function weekView(
  { plan, term, occurrences, mayMove }: SeenTerm,
  { date, now }: { date: Temporal.PlainDate; now: Temporal.PlainDateTime },
): WeekView {
  const first = weekStartOf(date, term.weekStart);
  const tagOf = new Map(plan.courses.map(({ id, tag, color }) => [id, { tag, color }]));
  const item = (o: Occurrence) =>
    itemOf(
      o,
      o.courses.flatMap((id) => tagOf.get(id) ?? []),
      { mayMove, locale: plan.locale },
    );
  const on = touching(occurrences);
  const days = [0, 1, 2, 3, 4, 5, 6].map((offset): WeekDay => {
    const day = first.add({ days: offset });
    const here = on(day);
    return {
      date: day.toString(),
      label: entryTexts.onDay({
        label: dateLabel(day, 'short', plan.locale),
        day: plan.dayNames.get(day.toString()),
      }),
      long: entryTexts.onDay({
        label: dateLabel(day, 'long', plan.locale),
        day: plan.dayNames.get(day.toString()),
      }),
      today: day.equals(now.toPlainDate()),
      closed:
        here
          .flatMap((o) => (o.kind === 'closure' ? [closureTitle(o.title, o, plan.locale)] : []))
          .join(', ') || undefined,
      ...(here.some(({ kind }) => kind === 'closure') && isPartly(here) ? { partly: true } : {}),
      allDay: here.filter((o) => isDay(o.start) && o.kind !== 'closure').map(item),
      blocks: blocksOn(day, here, item),
    };
  });
  const all = days.flatMap((day) => day.blocks);
  const week = weekNumber(term, first.add({ days: 3 }));
  const dayMonth = (day: Temporal.PlainDate) => dateLabel(day, 'dayMonth', plan.locale);
  const range = `${dayMonth(first)} – ${dayMonth(first.add({ days: 6 }))}`;
  return {
    title: week === undefined ? range : weekTexts.title({ week, range }),
    locale: plan.locale,
    hours: [
      Math.min(8, ...all.map((block) => Math.floor(block.from / 60))),
      Math.max(18, ...all.map((block) => Math.ceil(block.to / 60))),
    ],
    days,
    previous: first.subtract({ days: 7 }).toString(),
    next: first.add({ days: 7 }).toString(),
    nowMinutes: days.some((day) => day.today) ? minutesOf(now) : undefined,
  };
}
