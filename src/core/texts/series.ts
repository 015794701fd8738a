import * as en from './compiled/en/series';
import { extend } from './extend';
import { listed } from './entries';

const WORDS = ['first', 'second', 'third', 'fourth', 'fifth'];
const SUFFIXES: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };
const plural = new Intl.PluralRules('en', { type: 'ordinal' });
/** `second`, `20th`; below zero `last`, `second-to-last`. */
const ordinal = (n: number): string =>
  n === -1
    ? 'last'
    : n < 0
      ? `${ordinal(-n)}-to-last`
      : (WORDS[n - 1] ?? `${n}${SUFFIXES[plural.select(n)]}`);

/** How a series is said. */
export const seriesTexts = extend(en.seriesTexts, {
  unit: (freq: string, every: number) => {
    const name = { DAILY: 'day', WEEKLY: 'week', MONTHLY: 'month', YEARLY: 'year' }[freq] ?? 'time';
    return every === 1 ? `every ${name}` : `every ${every} ${name}s`;
  },
  nth: (n: number, weekday: string) => `the ${ordinal(n)} ${weekday}`,
  /** Days of a month, or of a year; those below zero are counted from its end. */
  onDays: (days: readonly number[], of: 'month' | 'year') => {
    const words = days.map((n) => (n < 0 ? `the ${ordinal(n)}` : String(n)));
    return `on ${days.length === 1 && days[0]! > 0 ? 'day' : 'days'} ${listed(words)}${of === 'year' ? ' of the year' : ''}`;
  },
  inWeeks: (weeks: readonly number[]) =>
    `in ${weeks.length === 1 && weeks[0]! > 0 ? 'week' : 'weeks'} ${listed(weeks.map((n) => (n < 0 ? `the ${ordinal(n)}` : String(n))))} of the year`,
  ofThese: (places: readonly number[]) => `(only the ${listed(places.map(ordinal))} of these)`,
});
