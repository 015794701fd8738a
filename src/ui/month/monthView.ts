import { titleOf } from '@/core/plan/titleOf';
import { entryTexts, listed } from '@/core/texts/entries';
import { termTexts } from '@/core/texts/term';
import { isWhole } from '@/core/time/closure';
import { Temporal } from 'temporal-polyfill';
import type { LastingLine } from '@/core/plan/lastingLines';
import { lanesOf, lastingLines } from '@/core/plan/lastingLines';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { dateLabel, monthLabel } from '@/core/time/dateLabels';
import { weekStartOf } from '@/core/time/term';
import { momentText } from '@/core/time/zonedWall';
import type { DayLine } from '../student/dayLines';
import { dayLine } from '../student/dayLines';
import { mostPressing, pressing } from '../term/termMarks';

export type MonthDay = Readonly<{
  date: string;
  number: number;
  label: string;
  today: boolean;
  /** Of the month before or after. */
  other: boolean;
  closed: boolean;
  /** What goes over several days and begins here, or goes on here from the week before. */
  bars: readonly MonthBar[];
  /** The titles of those that began on an earlier day of the week, for whoever does not see their lines. */
  during?: string;
  /** What a cell has room for, by time. */
  lines: readonly DayLine[];
  /** How much more there is; the day's page has it. */
  more: number;
}>;
/** A line across the days that something lasts, at the head of the week. */
export type MonthBar = Readonly<{
  line: DayLine;
  lane: number;
  /** How many days of this week it touches. */
  reach: number;
  begins: boolean;
  ends: boolean;
  until: string;
}>;
export type MonthView = Readonly<{
  title: string;
  weekdays: readonly string[];
  weeks: readonly Readonly<{ lanes: number; days: readonly MonthDay[] }>[];
  /** First days of the months around. */
  before: string;
  after: string;
}>;

/** What a cell has room for, and how many lines lie at the head of a week. */
const MOST = 4;
const LANES = 3;

/** A month as weeks of days, each with what touches it; days around it fill the first and the last week. */
export function monthView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  { month, today, weekStart }: { month: Temporal.PlainDate; today: Temporal.PlainDate; weekStart: number },
): MonthView {
  const first = month.with({ day: 1 });
  const after = first.add({ months: 1 });
  const on = touching(occurrences);
  const lasting = lastingLines(occurrences);
  const dayOn = (date: Temporal.PlainDate, lines: readonly LastingLine[], column: number): MonthDay => {
    const drawn = new Set(lines.map(({ occurrence }) => occurrence));
    const here = on(date).filter((o) => o.kind !== 'times' && !(o.kind === 'booking' && !o.mine));
    const list = here.filter((o) => !drawn.has(o)).map((o) => ({ o, rank: pressing(o) }));
    const shown = mostPressing(list, MOST);
    const during = lines.filter(({ from, to }) => from < column && to >= column);
    return {
      date: date.toString(),
      number: date.day,
      label: entryTexts.onDay({
        label: dateLabel(date, 'full', plan.locale),
        day: plan.dayNames.get(date.toString()),
      }),
      today: date.equals(today),
      other: date.month !== first.month,
      closed: here.some((o) => o.kind === 'closure' && isWhole(o) && !o.sectionNames),
      bars: lines.flatMap((line) => (line.from === column ? [barOf(line)] : [])),
      during: listed(during.map(({ occurrence }) => titleOf(occurrence))) || undefined,
      lines: shown.map(({ o }) => dayLine(o, plan)),
      more: list.length - shown.length,
    };
  };
  const barOf = ({ occurrence, lane, from, to, begins, ends, last }: LastingLine): MonthBar => ({
    line: dayLine(occurrence, plan),
    lane,
    reach: to - from + 1,
    begins,
    ends,
    until: termTexts.lastsUntil({ day: dateLabel(Temporal.PlainDate.from(last), 'short', plan.locale) }),
  });
  const weeks: MonthView['weeks'][number][] = [];
  for (let week = weekStartOf(first, weekStart); week.until(after).sign > 0; week = week.add({ weeks: 1 })) {
    const dates = [0, 1, 2, 3, 4, 5, 6].map((offset) => week.add({ days: offset }));
    const lines = lasting(dates.map((date) => ({ first: momentText(date), last: momentText(date) })), LANES); // prettier-ignore
    weeks.push({ lanes: lanesOf(lines), days: dates.map((date, column) => dayOn(date, lines, column)) });
  }
  const begins = weekStartOf(first, weekStart);
  return {
    title: monthLabel(first, plan.locale),
    weekdays: [0, 1, 2, 3, 4, 5, 6].map((offset) =>
      dateLabel(begins.add({ days: offset }), 'weekday', plan.locale),
    ),
    weeks,
    before: first.subtract({ months: 1 }).toString(),
    after: after.toString(),
  };
}
