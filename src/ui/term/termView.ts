import { closureTitle } from '@/core/plan/closureTitle';
import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { lanesOf, lastingLines } from '@/core/plan/lastingLines';
import { touching } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { entryTexts, listed } from '@/core/texts/entries';
import { termTexts } from '@/core/texts/term';
import { dateLabel, weekAndDate } from '@/core/time/dateLabels';
import { momentText } from '@/core/time/zonedWall';
import type { Term } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';
import type { GridItem, MayMove } from './termMarks';
import { cellMarks, itemOf, mostPressing, printedMark } from './termMarks';

export type GridDay = Readonly<{
  /** The first date of the cell; the last column holds Saturday and Sunday. */
  date: string;
  long: string;
  /** Which day of its rotation it is, where days rotate. */
  name?: string;
  today: boolean;
  inTerm: boolean;
  /** The name of a closure that takes the whole day, and of one that ends it early. */
  closed?: string;
  /** The closure is of some sections alone: the day is one of classes. */
  partly?: boolean;
  /** What goes over several days and begins here, or goes on here from the week before. */
  bars: readonly GridBar[];
  /** The titles of those that began on an earlier day of the week, for whoever does not see their lines. */
  during?: string;
  /** The marks that are drawn. */
  items: readonly GridItem[];
  /** Whether that is all of more than a cell has room for. */
  whole: boolean;
  /** How many there are in all. */
  count: number;
  /** Those that are not, as they are printed. */
  behind?: string;
}>;

/** A line across the columns that something lasts, at the head of the week. */
export type GridBar = Readonly<{
  item: GridItem;
  lane: number;
  /** The first and the last column of this week, from 0. */
  from: number;
  to: number;
  /** Whether it begins, and ends, in this week. */
  begins: boolean;
  ends: boolean;
  /** Until when, where that is not in sight. */
  until: string;
}>;

export type GridWeek = Readonly<{
  number: number;
  /** How many lines lie over one another at its head. */
  lanes: number;
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
  /** Marks that a cell has room for. */
  room: number;
  /** The number of the first week shown, and of the term's last. */
  from: number;
  lastWeek: number;
  columns: readonly GridColumn[];
  weeks: readonly GridWeek[];
}>;

/** Whether a day has closures of some sections alone. */
export const isPartly = (here: readonly Occurrence[]): boolean =>
  here.every((o) => o.kind !== 'closure' || o.sectionNames !== undefined);

/** The closures of a day in words. */
function closedOn(here: readonly Occurrence[], locale: string): string | undefined {
  const names = here.flatMap((o) => (o.kind === 'closure' ? [closureTitle(o.title, o, locale)] : []));
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

/** What the week and the list are made from. */
export type SeenTerm = Readonly<{
  plan: SeenPlan;
  term: Term;
  occurrences: readonly Occurrence[];
  mayMove: MayMove;
}>;

/** How many lines lie at the head of a week; what is beyond them stands on each of its days, so that nothing is missing. */
const LANES = { all: 2, six: 3, one: 12 } as const;

/** How many marks a screen has room for in all weeks of a term together. */
const ROOM = 30;
/** Beyond this many a cell shows a count, which opens the day in place. What is not drawn is not sent. */
const DRAWN = {
  all: (weeks: number) => Math.max(2, Math.min(4, Math.floor(ROOM / weeks))),
  six: () => 4,
  one: () => 40,
} as const;
export const WEEKS_OF = { six: 6, one: 1 } as const;

/** The whole term on one page: a row for each teaching week, a cell for each day, a weekend in one. */
export function termView(
  {
    plan,
    term,
    occurrences,
    mayMove,
    shown,
    zoom = { kind: 'all' },
    open,
  }: SeenTerm & {
    /** The courses that are switched on. */
    shown: ReadonlySet<string>;
    zoom?: Zoom;
    /** The first date of a cell whose marks are all drawn. */
    open?: string;
  },
  today: Temporal.PlainDate,
): TermGridView {
  const tagOf = new Map(plan.courses.map(({ id, tag, color }) => [id, { tag, color }]));
  const weekStart = term.weekStart ?? 1;
  const columns = columnsFrom(weekStart);
  const teaching = teachingWeeks(term);
  const on = touching(occurrences);
  const lasting = lastingLines(occurrences);
  const tagsOf = (o: Occurrence) => o.courses.flatMap((id) => tagOf.get(id) ?? []);
  const marking = { mayMove, locale: plan.locale };
  const room = DRAWN[zoom.kind](teaching.length);
  const weekday = (offset: number) =>
    dateLabel(teaching[0]!.first.add({ days: offset }), 'weekday', plan.locale);
  const drawn =
    zoom.kind === 'all' ? teaching : teaching.slice(zoom.from - 1, zoom.from - 1 + WEEKS_OF[zoom.kind]);
  /** The day of that week that today is, counted from its first: 0 to 6 in the present week. */
  const dayNow = (weekBegins: Temporal.PlainDate) => today.since(weekBegins, { largestUnit: 'days' }).days;
  const weeks = drawn.map(({ number, first: weekBegins }): GridWeek => {
    const now = dayNow(weekBegins);
    const bars = barsOf(weekBegins);
    const drawnAsBars = new Set(bars.map(({ occurrence }) => occurrence));
    const days = columns.map((offsets, column): GridDay => {
      const first = weekBegins.add({ days: offsets[0]! });
      const marks = cellMarks(
        on(first, weekBegins.add({ days: offsets.at(-1)! })).filter((o) => !drawnAsBars.has(o)),
        tagsOf,
        marking,
      );
      const during = bars.filter(({ bar }) => bar.from < column && bar.to >= column);
      const closed = closedOn(on(first), plan.locale);
      // The name of a closure takes the line of one mark, a count that of another.
      const most = room - (closed ? 1 : 0);
      const whole = marks.length > most && open === first.toString();
      const shownMarks = whole || marks.length <= most ? marks : mostPressing(marks, most - 1);
      const kept = new Set(shownMarks);
      return {
        date: first.toString(),
        long: entryTexts.onDay({
          label: weekAndDate(term, first, plan.locale),
          day: plan.dayNames.get(first.toString()),
        }),
        name: plan.dayNames.get(first.toString()),
        today: offsets.includes(now),
        inTerm: first.since(term.startsOn).sign >= 0 && first.since(term.endsOn).sign <= 0,
        closed,
        ...(closed && isPartly(on(first)) ? { partly: true } : {}),
        bars: bars.flatMap(({ bar }) => (bar.from === column ? [bar] : [])),
        during: listed(during.map(({ bar }) => bar.item.title)) || undefined,
        items: shownMarks.map(({ item }) => item),
        whole,
        count: marks.length,
        behind:
          marks
            .filter((mark) => !kept.has(mark))
            .map(({ item }) => printedMark(item))
            .join(' · ') || undefined,
      };
    });
    return {
      number,
      lanes: lanesOf(bars.map(({ bar }) => bar)),
      theme: themes(number),
      range: rangeOf(weekBegins.add({ days: (8 - weekStart) % 7 })),
      now: now >= 0 && now < 7,
      past: now >= 7,
      days,
    };
  });
  /** The lines of a week, from what lasts beyond a day and a column. */
  function barsOf(weekBegins: Temporal.PlainDate) {
    const ofWeek = columns.map((offsets) => {
      const [first, last] = [offsets[0]!, offsets.at(-1)!].map((n) => momentText(weekBegins.add({ days: n })));
      return { first: first!, last: last! };
    }); // prettier-ignore
    return lasting(ofWeek, LANES[zoom.kind]).map(({ occurrence, last, ...line }) => {
      const item = itemOf(occurrence, tagsOf(occurrence), marking);
      const until = termTexts.lastsUntil({
        day: dateLabel(Temporal.PlainDate.from(last), 'short', plan.locale),
      });
      const movable = item.movable && line.begins;
      const bar: GridBar = { ...line, until, item: { ...item, movable, words: `${item.words}, ${until}` } };
      return { occurrence, bar };
    });
  }
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
  const weekNow = teaching.find(({ first }) => dayNow(first) >= 0 && dayNow(first) < 7)?.number;
  return {
    title: termTexts.title,
    span: termTexts.span({
      from: dateLabel(term.startsOn, 'dayMonth', plan.locale),
      to: dateLabel(term.endsOn, 'dayMonth', plan.locale),
    }),
    now: weekNow === undefined ? undefined : termTexts.weekNow({ week: weekNow }),
    zoom: zoom.kind,
    room,
    from: zoom.kind === 'all' ? 1 : zoom.from,
    lastWeek: teaching.length,
    columns: columns.map((offsets) => ({
      label: [...new Set([offsets[0]!, offsets.at(-1)!])].map(weekday).join('–'),
      narrow: isWeekend(weekStart, offsets[0]!),
    })),
    weeks,
  };
}
