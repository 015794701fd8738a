import { expectedMinutes } from '@/core/load/hoursByWeek';
import type { DayLoad } from '@/core/load/loadByDay';
import type { LoadItem } from '@/core/load/loadItem';
import type { Course } from '@/core/plan/plan';
import { loadTexts as say } from '@/core/texts/load';
import type { Closure } from '@/core/time/closure';
import { isOn, isWhole } from '@/core/time/closure';
import { commonDates } from '@/core/load/commonDates';
import { dateLabel } from '@/core/time/dateLabels';
import type { TeachingWeek } from '@/core/time/term';
import { weekStartOf } from '@/core/time/term';
import { Temporal } from 'temporal-polyfill';

export type LoadCell = Readonly<{
  key: string;
  /** The number of the day; empty outside the term. */
  day: string;
  due: number;
  alarmed: number;
  /** How many of the students have something, from 0 to 4. */
  level: number;
  closed: boolean;
  past: boolean;
  words: string;
}>;
export type LoadWeek = Readonly<{ label: string; from: string; cells: readonly LoadCell[] }>;
export type HoursLine = Readonly<{ week: string; class: number; work: number; others: number }>;
export type LoadView = Readonly<{
  weekdays: readonly string[];
  /** Days on which work can well be due, by their ISO numbers. */
  workdays: readonly Readonly<{ value: string; label: string }>[];
  weeks: readonly LoadWeek[];
  hours: readonly HoursLine[];
  /** Minutes in a week; absent where the course says neither credits nor hours. */
  expected?: number;
  expectedWords: string;
  noEffort: string;
  /** Work of the course that is still to come due. */
  coming: readonly Readonly<{ id: string; title: string; due: string; words: string }>[];
}>;

type Given = Readonly<{
  course: Course;
  closures: readonly Closure[];
  students: number;
  dates: readonly Temporal.PlainDate[];
  weeks: readonly TeachingWeek[];
  items: readonly LoadItem[];
  days: readonly DayLoad[];
  workMinutes: readonly number[];
  otherMinutes: readonly number[];
  classMinutes: readonly number[];
}>;

const LEVELS = 4;

function expectedWords({ credits, weeklyHours }: Course, expected: number | undefined): string {
  if (expected === undefined) return say.noCredits;
  return weeklyHours === undefined
    ? say.expectedFrom({ credits: credits!, hours: say.hours(expected) })
    : say.expectedOwn({ hours: say.hours(expected) });
}

/** The load of a course's students, as plain text and numbers. */
export function loadView(
  load: Given,
  { today, locale }: { today: Temporal.PlainDate; locale: string },
): LoadView {
  // prettier-ignore
  const { course, weeks, dates, students } = load;
  const first = dates[0]!;
  const cellOf = (date: Temporal.PlainDate): LoadCell => {
    const at = first.until(date, { largestUnit: 'days' }).days;
    const day = load.days[at];
    const key = date.toString();
    if (!day) return { key, day: '', due: 0, alarmed: 0, level: 0, closed: false, past: false, words: '' };
    const { own, others, titles, concerned, alarmed } = day;
    return {
      key,
      day: String(date.day),
      due: own.length + others,
      alarmed,
      level: students === 0 ? 0 : Math.ceil((concerned / students) * LEVELS),
      closed: load.closures.some((closure) => isWhole(closure) && isOn(closure, date)),
      past: Temporal.PlainDate.compare(date, today) < 0,
      words: say.cell(dateLabel(date, 'short', locale), own.map((item) => item.title), others, titles, concerned, students, alarmed), // prettier-ignore
    };
  };
  const inCourse = load.items.filter((item) => item.course === course.id && item.weight === 1);
  const unsaid = new Set(inCourse.filter((item) => item.minutes === undefined).map((item) => item.id)).size;
  const now = first.until(today, { largestUnit: 'days' }).days;
  const coming = commonDates(inCourse).filter((item) => item.due >= now);
  const monday = weekStartOf(today);
  const expected = expectedMinutes(course);
  return {
    weekdays: [0, 1, 2, 3, 4, 5, 6].map((n) =>
      dateLabel(weeks[0]!.first.add({ days: n }), 'weekday', locale),
    ),
    workdays: [1, 2, 3, 4, 5].map((day) => ({ value: String(day), label: dateLabel(monday.add({ days: day - 1 }), 'weekday', locale) })), // prettier-ignore
    weeks: weeks.map(({ number, first: begins }) => ({
      label: String(number),
      from: dateLabel(begins, 'dayMonth', locale),
      cells: [0, 1, 2, 3, 4, 5, 6].map((n) => cellOf(begins.add({ days: n }))),
    })),
    hours: weeks.map(({ number }, i) => ({
      week: String(number),
      class: load.classMinutes[i] ?? 0,
      work: load.workMinutes[i] ?? 0,
      others: load.otherMinutes[i] ?? 0,
    })),
    ...(expected === undefined ? {} : { expected }),
    expectedWords: expectedWords(course, expected),
    noEffort: unsaid > 0 ? say.noEffort({ n: unsaid }) : '',
    coming: coming.map(({ id, title, due }) => {
      const date = first.add({ days: due });
      return { id, title, due: date.toString(), words: dateLabel(date, 'short', locale) };
    }),
  };
}
