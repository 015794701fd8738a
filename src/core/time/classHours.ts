import { Temporal } from 'temporal-polyfill';

type Hours = Readonly<{ start: Temporal.PlainTime; end: Temporal.PlainTime }>;

/** The longest that a class lasts which runs into the next day, in hours. */
export const LONGEST_NIGHT = 8;

/** Whether a class runs into the day after its own: it ends no later than it starts. */
export const endsNextDay = ({ start, end }: Hours): boolean => Temporal.PlainTime.compare(end, start) <= 0;

/** How long a class lasts, in hours. */
export const hoursOf = ({ start, end }: Hours): number =>
  start.until(end).total('hours') + (endsNextDay({ start, end }) ? 24 : 0);

/** Whether a class has hours that somebody may have meant: within its day, or a night's length into the next. */
export const areHours = (hours: Hours): boolean => !endsNextDay(hours) || hoursOf(hours) <= LONGEST_NIGHT;
