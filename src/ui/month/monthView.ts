import { entryTexts } from '@/core/texts/entries';
import { isWhole } from '@/core/time/closure';
import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { dateLabel, monthLabel } from '@/core/time/dateLabels';
import { weekStartOf } from '@/core/time/term';
import type { DayLine } from '../student/dayLines';
import { dayLine } from '../student/dayLines';

export type MonthDay = Readonly<{
  date: string;
  number: number;
  label: string;
  today: boolean;
  /** Of the month before or after. */
  other: boolean;
  closed: boolean;
  lines: readonly DayLine[];
}>;
export type MonthView = Readonly<{
  title: string;
  weekdays: readonly string[];
  weeks: readonly (readonly MonthDay[])[];
  /** First days of the months around. */
  before: string;
  after: string;
}>;

/** A month as weeks of days, each with what touches it; days around it fill the first and the last week. */
export function monthView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  { month, today, weekStart }: { month: Temporal.PlainDate; today: Temporal.PlainDate; weekStart: number },
): MonthView {
  const first = month.with({ day: 1 });
  const after = first.add({ months: 1 });
  const on = touching(occurrences);
  const dayOn = (date: Temporal.PlainDate): MonthDay => {
    const list = on(date).filter((o) => o.kind !== 'times' && !(o.kind === 'booking' && !o.mine));
    return {
      date: date.toString(),
      number: date.day,
      label: entryTexts.onDay(dateLabel(date, 'full', plan.locale), plan.dayNames.get(date.toString())),
      today: date.equals(today),
      other: date.month !== first.month,
      closed: list.some((o) => o.kind === 'closure' && isWhole(o)),
      lines: list.map((o) => dayLine(o, plan)),
    };
  };
  const weeks: MonthDay[][] = [];
  for (let day = weekStartOf(first, weekStart); day.until(after).sign > 0; day = day.add({ weeks: 1 }))
    weeks.push([0, 1, 2, 3, 4, 5, 6].map((offset) => dayOn(day.add({ days: offset }))));
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
