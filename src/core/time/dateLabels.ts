import type { Temporal } from 'temporal-polyfill';
import { dayMs } from './civil';
import type { Term } from './term';
import { weekNumber } from './term';
import { SECOND_TIME } from './typedTime';
import type { Moment } from './zonedWall';
import { dayOf, isDay, isSecondPass } from './zonedWall';

/** Dates in English are written day first, with a 24-hour clock; a person may choose another locale. */
export const DEFAULT_LOCALE = 'en-GB';

const formats = {
  short: { weekday: 'short', day: 'numeric', month: 'short' },
  long: { weekday: 'long', day: 'numeric', month: 'long' },
  full: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  dated: { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' },
  dayMonth: { day: 'numeric', month: 'short' },
  day: { day: 'numeric' },
  weekday: { weekday: 'short' },
  month: { month: 'long', year: 'numeric' },
  monthAlone: { month: 'long' },
  year: { year: 'numeric' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

export type DateStyle = keyof typeof formats;

const formatters = new Map<string, Intl.DateTimeFormat>();

/** A date in words: `Thu 15 Oct` (short), `Thursday 15 October` (long); with the year `Thu 15 Oct 2026` (dated) or in full. */
export function dateLabel(
  date: Temporal.PlainDate,
  style: DateStyle = 'short',
  locale = DEFAULT_LOCALE,
): string {
  const key = `${locale} ${style}`;
  let formatter = formatters.get(key);
  if (!formatter) {
    formatter = new Intl.DateTimeFormat(locale, { ...formats[style], timeZone: 'UTC' });
    formatters.set(key, formatter);
  }
  return formatter.format(dayMs(date));
}

/** `October 2026`. */
export const monthLabel = (date: Temporal.PlainDate, locale?: string): string =>
  dateLabel(date, 'month', locale);

const TWELVE_HOURS = '-u-hc-h12';

/** A locale whose clock has twelve hours, written as BCP 47 has it (the `hc` key of its `u` extension). */
export const withTwelveHours = (locale: string): string => `${locale}${TWELVE_HOURS}`;

/**
 * `17:00`, always two digits, for tables and strips; `5:00 pm` in a locale with twelve hours. Of a time that comes twice the
 * second is `01:30 (second time)`.
 */
export function timeLabel(
  time: Temporal.PlainTime | Temporal.PlainDateTime,
  locale = DEFAULT_LOCALE,
): string {
  const minute = String(time.minute).padStart(2, '0');
  const clock = locale.endsWith(TWELVE_HOURS)
    ? `${((time.hour + 11) % 12) + 1}:${minute}\u00a0${time.hour < 12 ? 'am' : 'pm'}`
    : `${String(time.hour).padStart(2, '0')}:${minute}`;
  return isSecondPass(time) ? `${clock} ${SECOND_TIME}` : clock;
}

/** The same where room is short: a full hour of the clock with twelve is `10 am`. */
export const briefTime = (time: Temporal.PlainTime | Temporal.PlainDateTime, locale?: string): string =>
  timeLabel(time, locale).replace(/:00(?=\u00a0)/, '');

/** `12:00–12:25`. */
export const rangeLabel = (
  start: Temporal.PlainTime | Temporal.PlainDateTime,
  end: Temporal.PlainTime | Temporal.PlainDateTime,
  locale?: string,
): string => `${timeLabel(start, locale)}–${timeLabel(end, locale)}`;

/** `Thu 15 Oct, 17:00`, or the day alone. */
export const momentLabel = (moment: Moment, locale = DEFAULT_LOCALE): string =>
  isDay(moment)
    ? dateLabel(moment, 'short', locale)
    : `${dateLabel(dayOf(moment), 'short', locale)}, ${timeLabel(moment.wall, locale)}`;

/** `week 6, Thu 15 Oct`; outside the term's weeks the date alone. */
export function weekAndDate(
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>,
  date: Temporal.PlainDate,
  locale = DEFAULT_LOCALE,
): string {
  const week = weekNumber(term, date);
  const label = dateLabel(date, 'short', locale);
  return week === undefined ? label : `week ${week}, ${label}`;
}
