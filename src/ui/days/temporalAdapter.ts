import type { MuiPickersAdapter } from '@mui/x-date-pickers/models';
import { Temporal } from 'temporal-polyfill';
import type { DateStyle } from '@/core/time/dateLabels';
import { dateLabel } from '@/core/time/dateLabels';
import { weekNumber, weekStartOf } from '@/core/time/term';
import type { DayContext } from '@/core/time/typedDay';

type Day = Temporal.PlainDate;

declare module '@mui/x-date-pickers/models' {
  interface PickerValidDateLookup {
    temporal: Temporal.PlainDate;
  }
}

const compare = (a: Day, b: Day): number => Temporal.PlainDate.compare(a, b);
const months = (day: Day): number => day.year * 12 + day.month;
/** The first day that there is stands for "no day": nobody plans it. */
const NO_DAY = Temporal.PlainDate.from('-271821-04-19');

/** The formats that a calendar asks for, by the date styles of the core; times are never asked for. */
const STYLES: Readonly<Record<string, DateStyle>> = {
  year: 'year',
  month: 'monthAlone',
  monthShort: 'monthAlone',
  dayOfMonth: 'day',
  dayOfMonthFull: 'day',
  weekday: 'weekday',
  weekdayShort: 'weekday',
  fullDate: 'full',
  keyboardDate: 'dated',
  shortDate: 'dayMonth',
  normalDate: 'dayMonth',
  normalDateWithWeekday: 'short',
};

const FORMATS = Object.fromEntries(
  [
    ...Object.keys(STYLES),
    'hours24h',
    'hours12h',
    'meridiem',
    'minutes',
    'seconds',
    'fullTime12h',
    'fullTime24h',
    'keyboardDateTime12h',
    'keyboardDateTime24h',
  ].map((name) => [name, name]),
) as unknown as MuiPickersAdapter['formats'];

/**
 * Days of Temporal for the calendar of MUI: plain dates without hours or zones, weeks as the term counts them. The adapter
 * is made anew for each context, since its constructor is handed none.
 */
export const temporalAdapter = ({ today, term, locale }: DayContext): new () => MuiPickersAdapter<string> =>
  class TemporalAdapter {
    isMUIAdapter = true;
    isTimezoneCompatible = false;
    lib = 'temporal';
    locale = locale;
    formats = FORMATS;
    escapedCharacters = { start: '[', end: ']' };
    formatTokenMap = {};

    // Of a value that is not there, there is no day either.
    date = (value?: string | null) =>
      (value === null ? null : value === undefined ? today : Temporal.PlainDate.from(value)) as never;
    getInvalidDate = () => NO_DAY;
    getTimezone = () => 'default';
    setTimezone = (day: Day) => day;
    toJsDate = (day: Day) => new Date(Date.UTC(day.year, day.month - 1, day.day));
    parse = (value: string) => (value === '' ? null : Temporal.PlainDate.from(value));
    getCurrentLocaleCode = () => locale;
    is12HourCycleInCurrentLocale = () => false;
    expandFormat = (format: string) => format;
    isValid = (day: Day | null): day is Day => day !== null && !day.equals(NO_DAY);
    format = (day: Day, key: string) => dateLabel(day, STYLES[key] ?? 'full', locale);
    // The head of the calendar asks for two formats in one text.
    formatByString = (day: Day, format: string) =>
      dateLabel(day, format === `${FORMATS.month} ${FORMATS.year}` ? 'month' : (STYLES[format] ?? 'full'), locale);
    formatNumber = (number: string) => number;

    isEqual = (a: Day | null, b: Day | null) => (a && b ? a.equals(b) : a === b);
    isSameYear = (a: Day, b: Day) => a.year === b.year;
    isSameMonth = (a: Day, b: Day) => months(a) === months(b);
    isSameDay = (a: Day, b: Day) => a.equals(b);
    isSameHour = (a: Day, b: Day) => a.equals(b);
    isAfter = (a: Day, b: Day) => compare(a, b) > 0;
    isAfterYear = (a: Day, b: Day) => a.year > b.year;
    isAfterDay = (a: Day, b: Day) => compare(a, b) > 0;
    isBefore = (a: Day, b: Day) => compare(a, b) < 0;
    isBeforeYear = (a: Day, b: Day) => a.year < b.year;
    isBeforeDay = (a: Day, b: Day) => compare(a, b) < 0;
    isWithinRange = (day: Day, [from, to]: [Day, Day]) => compare(from, day) <= 0 && compare(day, to) <= 0;

    startOfYear = (day: Day) => day.with({ month: 1, day: 1 });
    startOfMonth = (day: Day) => day.with({ day: 1 });
    startOfWeek = (day: Day) => weekStartOf(day, term.weekStart);
    startOfDay = (day: Day) => day;
    endOfYear = (day: Day) => day.with({ month: 12, day: 31 });
    endOfMonth = (day: Day) => day.with({ day: day.daysInMonth });
    endOfWeek = (day: Day) => weekStartOf(day, term.weekStart).add({ days: 6 });
    endOfDay = (day: Day) => day;

    addYears = (day: Day, years: number) => day.add({ years });
    addMonths = (day: Day, count: number) => day.add({ months: count });
    addWeeks = (day: Day, weeks: number) => day.add({ weeks });
    addDays = (day: Day, days: number) => day.add({ days });
    addHours = (day: Day) => day;
    addMinutes = (day: Day) => day;
    addSeconds = (day: Day) => day;

    getYear = (day: Day) => day.year;
    getMonth = (day: Day) => day.month - 1;
    getDate = (day: Day) => day.day;
    getHours = () => 0;
    getMinutes = () => 0;
    getSeconds = () => 0;
    getMilliseconds = () => 0;
    setYear = (day: Day, year: number) => day.with({ year });
    setMonth = (day: Day, month: number) => day.with({ month: month + 1 });
    setDate = (day: Day, date: number) => day.with({ day: date });
    setHours = (day: Day) => day;
    setMinutes = (day: Day) => day;
    setSeconds = (day: Day) => day;
    setMilliseconds = (day: Day) => day;
    getDaysInMonth = (day: Day) => day.daysInMonth;
    getDayOfWeek = (day: Day) => ((day.dayOfWeek - (term.weekStart ?? 1) + 7) % 7) + 1;
    /** The teaching week; 0 outside the term. */
    getWeekNumber = (day: Day) => weekNumber(term, day) ?? 0;
    getWeekArray = (day: Day) => {
      const weeks: Day[][] = [];
      const last = this.endOfMonth(day);
      for (let first = this.startOfWeek(this.startOfMonth(day)); compare(first, last) <= 0; first = first.add({ weeks: 1 }))
        weeks.push([0, 1, 2, 3, 4, 5, 6].map((days) => first.add({ days })));
      return weeks;
    }; // prettier-ignore
    getYearRange = ([from, to]: [Day, Day]) =>
      Array.from({ length: to.year - from.year + 1 }, (_, i) => from.with({ month: 1, day: 1 }).add({ years: i }));
  }; // prettier-ignore
