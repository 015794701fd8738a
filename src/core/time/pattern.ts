import { Temporal } from 'temporal-polyfill';

/** One class of a section's week. `weekday` is ISO's: Monday is 1. */
export type PatternClass = Readonly<{ weekday: number; start: Temporal.PlainTime; end: Temporal.PlainTime }>;

/** When a section meets from a date on, until the next pattern begins; an empty list is a section that does not meet. */
export type Pattern = Readonly<{ from: Temporal.PlainDate; classes: readonly PatternClass[] }>;

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
