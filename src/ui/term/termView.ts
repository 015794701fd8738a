import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrences';
import { touching } from '@/core/plan/occurrenceDays';
import type { Release } from '@/core/entries/visibility';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { entryTexts, listed } from '@/core/texts/entries';
import { studentTexts } from '@/core/texts/student';
import { termTexts } from '@/core/texts/term';
import { dateLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import type { PlanItem } from '../plan/planItem';

export type Tag = Readonly<{ tag: string; color: string }>;

/** One mark in a cell, as plain text: the server formats, the grid draws. */
export type GridItem = PlanItem &
  Readonly<{
    kind: Occurrence['kind'];
    tags: readonly Tag[];
    /** Before the title: `10:00`. */
    time?: string;
    /** The number of a class, drawn as a small box. */
    ordinal?: number;
    /** Whether a class has a plan: then it is tinted. */
    planned: boolean;
    /** The same in words, where there is room. */
    long?: string;
    /** At the end: `by 17:00`. */
    by?: string;
    release: Release;
    cancelled: boolean;
    /** Whether something about it is different since one looked. */
    news: boolean;
    /** A sheet's times, true where taken. */
    boxes?: readonly boolean[];
    /** All of it in words, for the tooltip and for screen readers. */
    words: string;
  }>;

export type GridDay = Readonly<{
  /** The first date of the cell; the last column holds Saturday and Sunday. */
  date: string;
  long: string;
  today: boolean;
  inTerm: boolean;
  /** The name of a closure that takes the whole day, and of one that ends it early. */
  closed?: string;
  items: readonly GridItem[];
}>;

export type GridWeek = Readonly<{
  number: number;
  /** What the week is about, in each course that says so. */
  theme: string;
  range: string;
  now: boolean;
  past: boolean;
  days: readonly GridDay[];
}>;
/** A day of the week, or the weekend in one narrow cell. */
export type GridColumn = Readonly<{ label: string; narrow: boolean }>;
export type TermGridView = Readonly<{
  title: string;
  span: string;
  now?: string;
  zoom: 'all' | 'six' | 'one';
  /** The number of the first week shown, and of the term's last. */
  from: number;
  lastWeek: number;
  columns: readonly GridColumn[];
  weeks: readonly GridWeek[];
}>;

/** What a busy cell shows first: due work, then whatever has its time, then what is set. */
const PRECEDENCE: Record<Occurrence['kind'], number> = {
  due: 0,
  booking: 1,
  event: 2,
  announcement: 5,
  note: 6,
  times: 3,
  class: 4,
  set: 5,
  outside: 6,
  siteDate: 7,
  closure: 8,
};

/** What a view of the plan knows of an occurrence that is opened or moved. */
export function planItemOf(o: Occurrence, mayMove: MayMove, title = o.title): PlanItem {
  const entry = 'entry' in o ? o.entry : undefined;
  return {
    key: `${o.uid} ${o.recurrenceId ? momentText(o.recurrenceId) : momentText(o.start)}`,
    title,
    date: dayOf(o.start).toString(),
    entry,
    meeting: o.kind === 'class' ? o.meeting : undefined,
    href:
      o.kind === 'siteDate' || o.kind === 'outside'
        ? `/day/${dayOf(o.start)}`
        : o.kind === 'times' || o.kind === 'booking'
          ? o.asStaff
            ? '/office-hours'
            : '/sign-up'
          : undefined,
    recurrenceId: o.recurrenceId && momentText(o.recurrenceId),
    start: momentText(o.start),
    end: o.end && momentText(o.end),
    movable:
      o.kind === 'class'
        ? o.asStaff && o.plan !== undefined
        : o.kind !== 'set' && !(o.kind === 'due' && o.variant) && entry !== undefined && mayMove(entry),
  };
}
export type MayMove = (entry: string) => boolean;

/** What the week and the list are made from. */
export type SeenTerm = Readonly<{
  plan: SeenPlan;
  term: Term;
  occurrences: readonly Occurrence[];
  mayMove: MayMove;
}>;

/** An occurrence as a mark. */
export function itemOf(o: Occurrence, courseTags: readonly Tag[], mayMove: MayMove): GridItem {
  // What others plan is told apart from the courses by having no tag of theirs.
  const tags = o.kind === 'outside' ? [] : courseTags;
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
    o.cancelled === undefined ? undefined : entryTexts.cancelled(o.cancelled),
    o.news && studentTexts.mark[o.news],
    taken ? termTexts.rulerLabel(taken.filter(Boolean).length, taken.length) : undefined,
    o.asStaff && o.release !== 'shown' ? entryTexts.release[o.release] : undefined,
  ];
  const short = o.kind === 'class' ? (o.plan ? o.title : (o.sectionName ?? '')) : title;
  return {
    kind: o.kind,
    tags,
    planned: o.kind === 'class' && o.plan !== undefined,
    ordinal: o.kind === 'class' ? o.ordinal : undefined,
    long: o.kind === 'class' && !o.plan ? title : undefined,
    time: o.kind === 'due' ? undefined : clock,
    by: o.kind === 'due' && clock ? entryTexts.by(clock) : undefined,
    release: o.release,
    cancelled: o.cancelled !== undefined,
    news: o.news !== undefined,
    boxes: taken,
    words: words.filter(Boolean).join(', '),
    // Last: an object that begins with a spread and goes on is many times slower to make.
    ...planItemOf(o, mayMove, short),
  };
}

/** The same class plan (or the same number) in several sections on one day is one mark. */
function intoMarks(marks: Occurrence[][], o: Occurrence): Occurrence[][] {
  const same =
    o.kind === 'class' &&
    o.cancelled === undefined &&
    marks.find(([first]) => {
      if (first?.kind !== 'class' || first.course !== o.course || first.cancelled !== undefined) return false;
      return o.plan ? first.plan === o.plan : !first.plan && first.ordinal === o.ordinal;
    });
  if (same) same.push(o);
  else marks.push([o]);
  return marks;
}

function standingFor(others: readonly Occurrence[], item: GridItem): GridItem {
  if (others.length === 0) return item;
  const classes = others.flatMap((o) => (o.kind === 'class' ? [o] : []));
  const times = classes.map((o) => (isDay(o.start) ? '' : timeLabel(o.start.wall)));
  return {
    ...item,
    others: classes.map((o) => o.meeting),
    title: item.planned ? item.title : '',
    words: `${item.words}, ${termTexts.alsoAt(listed(times))}`,
  };
}

/** The closures of a day in words. */
function closedOn(here: readonly Occurrence[]): string | undefined {
  const names = here.flatMap((o) =>
    o.kind === 'closure'
      ? [o.closesAt ? entryTexts.closedFrom(o.title, timeLabel(o.closesAt)) : o.title]
      : [],
  );
  return names.length > 0 ? listed(names) : undefined;
}

/** How much of the term is shown: from a week on, where it is not all. */
export type Zoom = Readonly<{ kind: 'all' }> | Readonly<{ kind: 'six' | 'one'; from: number }>;

/** The days of a week as columns, by their distance from its first day; days of a weekend that meet share one. */
function columnsFrom(weekStart: number): number[][] {
  const columns: number[][] = [];
  for (let offset = 0; offset < 7; offset++) {
    const last = columns.at(-1)?.at(-1);
    if (last !== undefined && isWeekend(weekStart, last) && isWeekend(weekStart, offset))
      columns.at(-1)!.push(offset);
    else columns.push([offset]);
  }
  return columns;
}

const isWeekend = (weekStart: number, offset: number) => (weekStart - 1 + offset) % 7 > 4;

/** The whole term on one page: a row for each teaching week, a cell for each day, a weekend in one. */
export function termView(
  {
    plan,
    term,
    occurrences,
    shown,
    mayMove = () => false,
    zoom = { kind: 'all' },
  }: {
    plan: SeenPlan;
    term: Term;
    occurrences: readonly Occurrence[];
    /** The courses that are switched on. */
    shown: ReadonlySet<string>;
    mayMove?: MayMove;
    zoom?: Zoom;
  },
  today: Temporal.PlainDate,
): TermGridView {
  const tagOf = new Map(plan.courses.map(({ id, tag, color }) => [id, { tag, color }]));
  const weekStart = term.weekStart ?? 1;
  const columns = columnsFrom(weekStart);
  const teaching = teachingWeeks(term);
  const on = touching(occurrences);
  const weekday = (offset: number) =>
    dateLabel(teaching[0]!.first.add({ days: offset }), 'weekday', plan.locale);
  const weeks = teaching.map(({ number, first: weekBegins }): GridWeek => {
    const now = today.since(weekBegins, { largestUnit: 'days' }).days;
    const days = columns.map((offsets): GridDay => {
      const first = weekBegins.add({ days: offsets[0]! });
      const last = weekBegins.add({ days: offsets.at(-1)! });
      const inTerm = first.since(term.startsOn).sign >= 0 && first.since(term.endsOn).sign <= 0;
      return {
        date: first.toString(),
        long: weekAndDate(term, first, plan.locale),
        today: offsets.includes(now),
        inTerm,
        closed: closedOn(on(first)),
        items: on(first, last)
          .filter((o) => o.kind !== 'closure')
          .sort((a, b) => PRECEDENCE[a.kind] - PRECEDENCE[b.kind])
          .reduce<Occurrence[][]>(intoMarks, [])
          .map(([o, ...others]) =>
            standingFor(
              others,
              itemOf(
                o!,
                o!.courses.flatMap((id) => tagOf.get(id) ?? []),
                mayMove,
              ),
            ),
          ),
      };
    });
    return {
      number,
      theme: themes(number),
      range: rangeOf(weekBegins.add({ days: (8 - weekStart) % 7 })),
      now: now >= 0 && now < 7,
      past: now >= 7,
      days,
    };
  });
  function rangeOf(monday: Temporal.PlainDate): string {
    const friday = monday.add({ days: 4 });
    const end = dateLabel(friday, 'dayMonth', plan.locale);
    // Where the month comes first, a bare first day would stand before a month that is not its own.
    return monday.month === friday.month && /^\d/.test(end)
      ? `${monday.day}–${end}`
      : `${dateLabel(monday, 'dayMonth', plan.locale)}–${end}`;
  }
  function themes(week: number): string {
    const own = plan.courses.filter((course) => shown.has(course.id) && course.themes.has(week));
    const theme = (course: (typeof own)[number]) => course.themes.get(week)!;
    return own.length === 1 ? theme(own[0]!) : own.map((c) => `${c.tag} ${theme(c)}`).join(' · ');
  }
  const weekNow = weeks.find((week) => week.now)?.number;
  return {
    title: termTexts.title,
    span: termTexts.span(
      dateLabel(term.startsOn, 'dayMonth', plan.locale),
      dateLabel(term.endsOn, 'dayMonth', plan.locale),
    ),
    now: weekNow === undefined ? undefined : termTexts.weekNow(weekNow),
    zoom: zoom.kind,
    from: zoom.kind === 'all' ? 1 : zoom.from,
    lastWeek: weeks.length,
    columns: columns.map((offsets) => ({
      label: [...new Set([offsets[0]!, offsets.at(-1)!])].map(weekday).join('–'),
      narrow: isWeekend(weekStart, offsets[0]!),
    })),
    weeks: zoom.kind === 'all' ? weeks : weeks.slice(zoom.from - 1, zoom.from - 1 + WEEKS_OF[zoom.kind]),
  };
}

export const WEEKS_OF = { six: 6, one: 1 } as const;
