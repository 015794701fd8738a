import type { Temporal } from 'temporal-polyfill';
import { scheduleTexts as say } from '../texts/schedule';
import { dateLabel } from '../time/dateLabels';
import { teachingWeeks } from '../time/term';
import type { ScheduleDate } from './scheduleDates';
import type { ScheduleAsk } from './scheduleLine';
import type { ScheduleContext } from './scheduleReader';

/** Work is due on one day: of a stretch the last, most likely. */
export const askEnd = ({ dates, last }: ScheduleDate, locale: string): ScheduleAsk => ({
  field: 'date',
  question: say.whichEnd,
  choices: [last!, dates[0]!].map((date) => ({
    label: dateLabel(date, 'full', locale),
    value: date.toString(),
  })),
});

export const askKind = (): ScheduleAsk => ({
  field: 'kind',
  question: say.whatIsIt,
  choices: (['event', 'due', 'nothing'] as const).map((value) => ({ label: say.kinds[value], value })),
});

export const askDate = (
  field: 'date' | 'set' | 'opens' | 'closes',
  { dates, question }: ScheduleDate,
  locale: string,
): ScheduleAsk => ({
  field,
  question: question!,
  choices: dates.map((date) => ({ label: dateLabel(date, 'full', locale), value: date.toString() })),
});

/** The days from Monday to Friday of a teaching week. */
export function schoolDaysOf(week: number, { term }: ScheduleContext): Temporal.PlainDate[] {
  const first = teachingWeeks(term).find(({ number }) => number === week)?.first;
  return first
    ? [0, 1, 2, 3, 4, 5, 6].map((n) => first.add({ days: n })).filter((day) => day.dayOfWeek < 6)
    : [];
}

export const askDayOfWeek = (week: number, context: ScheduleContext): ScheduleAsk => ({
  field: 'date',
  question: say.noDate,
  choices: schoolDaysOf(week, context).map((day) => ({
    label: dateLabel(day, 'short', context.locale),
    value: day.toString(),
  })),
});
