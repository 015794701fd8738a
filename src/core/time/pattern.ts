import { Temporal } from 'temporal-polyfill';
import type { Strand } from './classNumber';

const MIDNIGHT = new Temporal.PlainTime();

/** The only class of a section that never meets: its plans stand on teaching weeks. */
export const BY_WEEK = { byWeek: true, start: MIDNIGHT, end: MIDNIGHT, strand: 'week' } as const;

/** Which teaching weeks, counted from 1: every n-th from one on, or those that are named. */
export type Weeks = Readonly<{ every: number; from: number }> | Readonly<{ only: readonly number[] }>;

/**
 * On which days a class is: on a weekday (ISO's, Monday is 1), on a day of the term's rotation, or on none, but for the
 * whole teaching week; that has no hours, and `start` and `end` are midnight.
 */
export type OnDays =
  | Readonly<{ weekday: number; cycleDay?: undefined; byWeek?: undefined }>
  | Readonly<{ weekday?: undefined; cycleDay: string; byWeek?: undefined }>
  | Readonly<{ weekday?: undefined; cycleDay?: undefined; byWeek: true }>;

/** One class of a section's week. One that ends no later than it starts runs into the next day. */
export type PatternClass = OnDays &
  Readonly<{
    start: Temporal.PlainTime;
    end: Temporal.PlainTime;
    /** Absent: every week. */
    weeks?: Weeks;
    /** Absent: where the course's classes take place. */
    place?: string;
    /** What counts apart from the classes, such as labs. */
    strand?: Strand;
  }>;

/** When a section meets from a date on, until the next pattern begins; an empty list is a section that does not meet. */
export type Pattern = Readonly<{ from: Temporal.PlainDate; classes: readonly PatternClass[] }>;

/** Whether a teaching week, counted from 1, is among some weeks. */
export const isAmong = (weeks: Weeks | undefined, week: number): boolean =>
  weeks === undefined ||
  ('only' in weeks
    ? weeks.only.includes(week)
    : week >= weeks.from && (week - weeks.from) % weeks.every === 0);

/** The pattern in force on a date: the latest that has begun. */
export function patternOn(patterns: readonly Pattern[], date: Temporal.PlainDate): Pattern | undefined {
  return patterns
    .filter((pattern) => Temporal.PlainDate.compare(pattern.from, date) <= 0)
    .reduce<Pattern | undefined>(
      (latest, pattern) =>
        latest && Temporal.PlainDate.compare(latest.from, pattern.from) >= 0 ? latest : pattern,
      undefined,
    );
}

/** The patterns with another one from a date on. What came before stays; later patterns are replaced. */
export function changePattern(patterns: readonly Pattern[], next: Pattern): Pattern[] {
  return [...patterns.filter((pattern) => Temporal.PlainDate.compare(pattern.from, next.from) < 0), next];
}
