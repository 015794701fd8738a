import { Temporal } from 'temporal-polyfill';
import type { TermId } from '../ids';

export type Term = Readonly<{
  id: TermId;
  name: string;
  startsOn: Temporal.PlainDate;
  /** The last day of the term, itself included. */
  endsOn: Temporal.PlainDate;
  tzid: string;
  /** The ISO weekday on which its weeks begin; absent: Monday. */
  weekStart?: number;
}>;

type Span = Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;

export type TeachingWeek = Readonly<{ number: number; first: Temporal.PlainDate }>;

/** The first day of the week that a date lies in. */
export const weekStartOf = (date: Temporal.PlainDate, weekStart = 1): Temporal.PlainDate =>
  date.subtract({ days: (date.dayOfWeek - weekStart + 7) % 7 });

/** The teaching weeks of a term, numbered from 1; a partial first week counts, closures count. */
export function teachingWeeks(term: Span): TeachingWeek[] {
  const weeks: TeachingWeek[] = [];
  for (
    let first = weekStartOf(term.startsOn, term.weekStart);
    Temporal.PlainDate.compare(first, term.endsOn) <= 0;
    first = first.add({ weeks: 1 })
  ) {
    weeks.push({ number: weeks.length + 1, first });
  }
  return weeks;
}

/** The number of the teaching week a date lies in; undefined outside the term's weeks. */
export function weekNumber(term: Span, date: Temporal.PlainDate): number | undefined {
  const first = weekStartOf(term.startsOn, term.weekStart);
  const weekOf = (day: Temporal.PlainDate) => Math.floor(first.until(day).days / 7) + 1;
  const own = weekOf(date);
  return own < 1 || own > weekOf(term.endsOn) ? undefined : own;
}

/** Whether a date lies between the first and the last day, both included. */
export const isIn = (term: Pick<Term, 'startsOn' | 'endsOn'>, date: Temporal.PlainDate): boolean =>
  Temporal.PlainDate.compare(term.startsOn, date) <= 0 && Temporal.PlainDate.compare(date, term.endsOn) <= 0;

/** The term that holds a date, else the next one to begin, else the last: what "now" means between terms. */
export function currentTerm<T extends Pick<Term, 'startsOn' | 'endsOn'>>(
  terms: readonly T[],
  today: Temporal.PlainDate,
): T | undefined {
  const sorted = [...terms].sort((a, b) => Temporal.PlainDate.compare(a.startsOn, b.startsOn));
  return sorted.find((t) => Temporal.PlainDate.compare(today, t.endsOn) <= 0) ?? sorted.at(-1);
}

/** A term as texts: when it is, and when its weeks begin. */
export type TermDays = Readonly<{ startsOn: string; endsOn: string; weekStart?: number }>;

export const termDays = ({ startsOn, endsOn, weekStart }: Term): TermDays => ({
  startsOn: startsOn.toString(),
  endsOn: endsOn.toString(),
  ...(weekStart === undefined ? {} : { weekStart }),
});
