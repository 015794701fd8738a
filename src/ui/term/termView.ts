import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrences';
import { touches } from '@/core/plan/occurrences';
import type { Release } from '@/core/entries/seenBy';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { entryTexts, listed } from '@/core/texts/entries';
import { studentTexts } from '@/core/texts/student';
import { termTexts } from '@/core/texts/term';
import { dateLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';

export type Tag = Readonly<{ tag: string; color: string }>;

/** One mark in a cell, as plain text: the server formats, the grid draws. */
export type GridItem = Readonly<{
  key: string;
  kind: Occurrence['kind'];
  tags: readonly Tag[];
  title: string;
  /** Before the title: `10:00`. */
  time?: string;
  /** The number of a class, drawn as a small box. */
  ordinal?: number;
  /** The same in words, where there is room. */
  long?: string;
  /** At the end: `by 17:00`. */
  by?: string;
  release: Release;
  cancelled: boolean;
  entry?: string;
  /** Where a mark that is no entry leads. */
  href?: string;
  /** A sheet's times, true where taken. */
  boxes?: readonly boolean[];
  /** All of it in words, for the tooltip and for screen readers. */
  words: string;
}>;

export type GridDay = Readonly<{
  /** The first date of the cell; the last column holds Saturday and Sunday. */
  date: string;
  long: string;
  number: string;
  today: boolean;
  inTerm: boolean;
  /** The name of a closure that takes the whole day, and of one that ends it early. */
  closed?: string;
  items: readonly GridItem[];
}>;

export type GridWeek = Readonly<{
  number: number;
  range: string;
  now: boolean;
  past: boolean;
  days: readonly GridDay[];
}>;
export type TermGridView = Readonly<{
  title: string;
  span: string;
  now?: string;
  weeks: readonly GridWeek[];
}>;

/** What a busy cell shows first: due work, then whatever has its time, then what is set. */
const PRECEDENCE: Record<Occurrence['kind'], number> = {
  due: 0,
  booking: 1,
  event: 2,
  times: 3,
  class: 4,
  set: 5,
  closure: 6,
};

function itemOf(o: Occurrence, tags: readonly Tag[]): GridItem {
  const clock = isDay(o.start) ? undefined : timeLabel(o.start.wall);
  const title =
    o.kind === 'set'
      ? entryTexts.setTitle(o.title)
      : o.kind === 'booking'
        ? o.mine
          ? studentTexts.withNames(listed(o.withNames))
          : listed(o.withNames)
        : o.title;
  const taken = o.kind === 'times' ? o.slots.map((slot) => slot.taken >= slot.seats) : undefined;
  const words = [
    tags.map((t) => t.tag).join(' '),
    entryTexts.kind[o.kind],
    o.kind === 'due' && clock ? entryTexts.by(clock) : clock,
    title,
    o.kind === 'class' && o.cancelled !== undefined ? entryTexts.cancelled(o.cancelled) : undefined,
    taken ? termTexts.rulerLabel(taken.filter(Boolean).length, taken.length) : undefined,
    o.asStaff && o.release !== 'shown' ? entryTexts.release[o.release] : undefined,
  ];
  return {
    key: `${o.uid} ${momentText(o.start)}`,
    kind: o.kind,
    tags,
    title: o.kind === 'class' ? (o.sectionName ?? '') : title,
    ordinal: o.kind === 'class' ? o.ordinal : undefined,
    long: o.kind === 'class' ? title : undefined,
    time: o.kind === 'due' ? undefined : clock,
    by: o.kind === 'due' && clock ? entryTexts.by(clock) : undefined,
    release: o.release,
    cancelled: o.kind === 'class' && o.cancelled !== undefined,
    href: o.kind === 'class' ? `/day/${dayOf(o.start)}` : undefined,
    entry: 'entry' in o ? o.entry : undefined,
    boxes: taken,
    words: words.filter(Boolean).join(', '),
  };
}

/** The closures of a day in words. */
function closedOn(occurrences: readonly Occurrence[], date: Temporal.PlainDate): string | undefined {
  const names = occurrences.flatMap((o) =>
    o.kind === 'closure' && touches(o, date, date)
      ? [o.closesAt ? entryTexts.closedFrom(o.title, timeLabel(o.closesAt)) : o.title]
      : [],
  );
  return names.length > 0 ? listed(names) : undefined;
}

/** The whole term on one page: a row for each teaching week, a cell for each day, the weekend in one. */
export function termView(
  { plan, term, occurrences }: { plan: SeenPlan; term: Term; occurrences: readonly Occurrence[] },
  today: Temporal.PlainDate,
): TermGridView {
  const tagOf = new Map(plan.courses.map(({ id, tag, color }) => [id, { tag, color }]));
  const weeks = teachingWeeks(term).map(({ number, monday }): GridWeek => {
    const friday = monday.add({ days: 4 });
    const now = today.since(monday, { largestUnit: 'days' }).days;
    const days = [0, 1, 2, 3, 4, 5].map((offset): GridDay => {
      const first = monday.add({ days: offset });
      const last = offset === 5 ? first.add({ days: 1 }) : first;
      const inTerm = first.since(term.startsOn).sign >= 0 && first.since(term.endsOn).sign <= 0;
      return {
        date: first.toString(),
        long: weekAndDate(term, first),
        number: dateLabel(first, 'day'),
        today: now === offset || (offset === 5 && now === 6),
        inTerm,
        closed: closedOn(occurrences, first),
        items: occurrences
          .filter((o) => o.kind !== 'closure' && touches(o, first, last))
          .sort((a, b) => PRECEDENCE[a.kind] - PRECEDENCE[b.kind])
          .map((o) =>
            itemOf(
              o,
              o.courses.flatMap((id) => tagOf.get(id) ?? []),
            ),
          ),
      };
    });
    return {
      number,
      range:
        monday.month === friday.month
          ? `${monday.day}–${dateLabel(friday, 'dayMonth')}`
          : `${dateLabel(monday, 'dayMonth')}–${dateLabel(friday, 'dayMonth')}`,
      now: now >= 0 && now < 7,
      past: now >= 7,
      days,
    };
  });
  const weekNow = weeks.find((week) => week.now)?.number;
  return {
    title: termTexts.title,
    span: termTexts.span(
      dateLabel(term.startsOn, 'dayMonth'),
      dateLabel(term.endsOn, 'dayMonth'),
      weeks.length,
    ),
    now: weekNow === undefined ? undefined : termTexts.weekNow(weekNow),
    weeks,
  };
}
