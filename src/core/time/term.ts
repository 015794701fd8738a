import { Temporal } from 'temporal-polyfill';
import type { TermId } from '../ids';
import { epochDay } from './civil';
import type { Cycle } from './cycle';

export type Term = Readonly<{
  id: TermId;
  name: string;
  startsOn: Temporal.PlainDate;
  /** The last day of the term, itself included. */
  endsOn: Temporal.PlainDate;
  tzid: string;
  /** The ISO weekday on which its weeks begin; absent: Monday. */
  weekStart?: number;
  /** Days that rotate; absent: it has none. */
  cycle?: Cycle;
}>;

type Span = Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;

export type TeachingWeek = Readonly<{ number: number; first: Temporal.PlainDate }>;

/** The first day of the week that a date lies in. */
export const weekStartOf = (date: Temporal.PlainDate, weekStart = 1): Temporal.PlainDate =>
  date.subtract({ days: daysIntoWeek(date, weekStart) });

const daysIntoWeek = (date: Temporal.PlainDate, weekStart = 1): number =>
  (date.dayOfWeek - weekStart + 7) % 7;

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
  const first = epochDay(term.startsOn) - daysIntoWeek(term.startsOn, term.weekStart);
  const weekOf = (day: Temporal.PlainDate) => Math.floor((epochDay(day) - first) / 7) + 1;
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

/** The term that is looked at: the chosen one, where it is among them, else the current one. */
export const shownTerm = <T extends Pick<Term, 'id' | 'startsOn' | 'endsOn'>>(
  terms: readonly T[],
  today: Temporal.PlainDate,
  chosen: string | undefined,
): T | undefined => terms.find(({ id }) => id === chosen) ?? currentTerm(terms, today);

/** Where a view of some days begins: today, or the term's first day where today lies outside it. */
export const startIn = (
  term: Pick<Term, 'startsOn' | 'endsOn'> | undefined,
  today: Temporal.PlainDate,
): Temporal.PlainDate => (term && !isIn(term, today) ? term.startsOn : today);

/** How long after a term its courses stay in sight, in days: work can be open, and marks are given. */
const LINGERS = 21;

/** The ids of the terms that are not yet over, or not for long: what pages about today speak of. */
export const termsInSight = (
  terms: readonly Pick<Term, 'id' | 'endsOn'>[],
  today: Temporal.PlainDate,
): ReadonlySet<TermId> =>
  new Set(
    terms
      .filter(({ endsOn }) => Temporal.PlainDate.compare(endsOn.add({ days: LINGERS }), today) >= 0)
      .map(({ id }) => id),
  );

/** The ids of the terms that share a day with one of them, itself included: what is looked at together. */
export const termsBeside = (
  terms: readonly Pick<Term, 'id' | 'startsOn' | 'endsOn'>[],
  term: Pick<Term, 'startsOn' | 'endsOn'>,
): ReadonlySet<TermId> =>
  new Set(
    terms
      .filter(
        ({ startsOn, endsOn }) =>
          Temporal.PlainDate.compare(startsOn, term.endsOn) <= 0 &&
          Temporal.PlainDate.compare(term.startsOn, endsOn) <= 0,
      )
      .map(({ id }) => id),
  );

/** A term as texts: when it is, and when its weeks begin. */
export type TermDays = Readonly<{ startsOn: string; endsOn: string; weekStart?: number }>;

export const termDays = ({ startsOn, endsOn, weekStart }: Term): TermDays => ({
  startsOn: startsOn.toString(),
  endsOn: endsOn.toString(),
  ...(weekStart === undefined ? {} : { weekStart }),
});
