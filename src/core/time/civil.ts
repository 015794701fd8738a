import { Temporal } from 'temporal-polyfill';

/**
 * Days of the Gregorian calendar by plain arithmetic, for what a page asks thousands of times; Temporal takes ten times as
 * long. Years are counted from March on, so that a leap day is the last of its year.
 */

const DAY_MS = 86_400_000;
/** From 1 March of the year 0 to 1 January 1970. */
const EPOCH = 719_468;
const DAYS_IN_400_YEARS = 146_097;

/** Days from 1 January 1970 to a date. */
export function daysFromEpoch(year: number, month: number, day: number): number {
  const y = month > 2 ? year : year - 1;
  const dayOfYear = Math.floor((153 * ((month + 9) % 12) + 2) / 5) + day - 1;
  return y * 365 + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400) + dayOfYear - EPOCH;
}

/** Days from 1 January 1970 to a date. */
export const epochDay = ({ year, month, day }: Temporal.PlainDate): number => daysFromEpoch(year, month, day);

/** A date as the epoch milliseconds of its beginning in UTC. */
export const dayMs = (date: Temporal.PlainDate): number => epochDay(date) * DAY_MS;

/** What a clock in UTC shows at so many epoch milliseconds; `nanosecond` is added as it is. */
export function wallFromMs(ms: number, nanosecond = 0): Temporal.PlainDateTime {
  const days = Math.floor(ms / DAY_MS);
  const rest = ms - days * DAY_MS;
  const shifted = days + EPOCH;
  const era = Math.floor(shifted / DAYS_IN_400_YEARS);
  const dayOfEra = shifted - era * DAYS_IN_400_YEARS;
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36_524) -
      Math.floor(dayOfEra / 146_096)) /
      365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const fromMarch = Math.floor((5 * dayOfYear + 2) / 153);
  const month = fromMarch < 10 ? fromMarch + 3 : fromMarch - 9;
  return new Temporal.PlainDateTime(
    yearOfEra + era * 400 + (month > 2 ? 0 : 1),
    month,
    dayOfYear - Math.floor((153 * fromMarch + 2) / 5) + 1,
    Math.floor(rest / 3_600_000),
    Math.floor(rest / 60_000) % 60,
    Math.floor(rest / 1000) % 60,
    rest % 1000,
    0,
    nanosecond,
  );
}
