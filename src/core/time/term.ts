import { Temporal } from 'temporal-polyfill';
import type { TermId } from '../ids';

export type Term = Readonly<{
  id: TermId;
  name: string;
  startsOn: Temporal.PlainDate;
  /** The last day of the term, itself included. */
  endsOn: Temporal.PlainDate;
  tzid: string;
}>;

export type TeachingWeek = Readonly<{ number: number; monday: Temporal.PlainDate }>;

export const mondayOf = (date: Temporal.PlainDate): Temporal.PlainDate =>
  date.subtract({ days: date.dayOfWeek - 1 });

/** The teaching weeks of a term, Monday to Sunday, numbered from 1; a partial first week counts, closures count. */
export function teachingWeeks(term: Pick<Term, 'startsOn' | 'endsOn'>): TeachingWeek[] {
  const weeks: TeachingWeek[] = [];
  for (
    let monday = mondayOf(term.startsOn);
    Temporal.PlainDate.compare(monday, term.endsOn) <= 0;
    monday = monday.add({ weeks: 1 })
  ) {
    weeks.push({ number: weeks.length + 1, monday });
  }
  return weeks;
}

/** The number of the teaching week a date lies in; undefined outside the term's weeks. */
export function weekNumber(
  term: Pick<Term, 'startsOn' | 'endsOn'>,
  date: Temporal.PlainDate,
): number | undefined {
  const first = mondayOf(term.startsOn);
  const last = mondayOf(term.endsOn);
  const monday = mondayOf(date);
  if (Temporal.PlainDate.compare(monday, first) < 0 || Temporal.PlainDate.compare(monday, last) > 0)
    return undefined;
  return first.until(monday, { largestUnit: 'days' }).days / 7 + 1;
}

/** The term that holds a date, else the next one to begin, else the last: what "now" means between terms. */
export function currentTerm<T extends Pick<Term, 'startsOn' | 'endsOn'>>(
  terms: readonly T[],
  today: Temporal.PlainDate,
): T | undefined {
  const sorted = [...terms].sort((a, b) => Temporal.PlainDate.compare(a.startsOn, b.startsOn));
  return sorted.find((t) => Temporal.PlainDate.compare(today, t.endsOn) <= 0) ?? sorted.at(-1);
}
