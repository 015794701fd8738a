import { Temporal } from 'temporal-polyfill';
import { endsNextDay } from './classHours';
import type { CalendarId, ClosureId, CourseId, TermId } from '../ids';

/** What a closure does to each of its days: no classes, none outside some hours, or classes online. */
export type ClosedHours = Readonly<{
  /** The time until which each of the days is closed. */
  opensAt?: Temporal.PlainTime;
  /** The time from which each of the days is closed. */
  closesAt?: Temporal.PlainTime;
  /** Classes take place, and nobody comes: they are joined by their links. */
  online?: boolean;
}>;

/** Days, or some hours of each, without classes. Half-open: `end` is the first day that is open again. */
export type Closure = ClosedHours &
  Readonly<{
    id: ClosureId;
    term: TermId;
    /** Absent: the whole site. */
    course?: CourseId;
    name: string;
    start: Temporal.PlainDate;
    end: Temporal.PlainDate;
    /** Asked for by an outside calendar: by which, and by which of its times. */
    from?: Readonly<{ calendar: CalendarId; source: string }>;
    created: Temporal.Instant;
  }>;

type ClockRange = Readonly<{ date: Temporal.PlainDate; start: Temporal.PlainTime; end: Temporal.PlainTime }>;
type Days = Pick<Closure, 'start' | 'end'>;

export const isOn = (closure: Days, date: Temporal.PlainDate): boolean =>
  Temporal.PlainDate.compare(closure.start, date) <= 0 && Temporal.PlainDate.compare(date, closure.end) < 0;

export const concernsCourse = (closure: Closure, course: CourseId): boolean =>
  closure.course === undefined || closure.course === course;

/** Whether nothing at all takes place on its days. */
export const isWhole = ({ opensAt, closesAt, online }: ClosedHours): boolean =>
  !opensAt && !closesAt && !online;

/** Whether a day's hours take away what is from `start` to `end` on it, all of it or a part. */
export function closesHours(hours: ClosedHours, range: Pick<ClockRange, 'start' | 'end'>): boolean {
  if (isWhole(hours)) return true;
  const { opensAt, closesAt } = hours;
  const early = opensAt !== undefined && Temporal.PlainTime.compare(range.start, opensAt) < 0;
  const late =
    closesAt !== undefined && (endsNextDay(range) || Temporal.PlainTime.compare(range.end, closesAt) > 0);
  return !hours.online && (early || late);
}

/** Whether a closure takes away a class, all of it or a part. */
export const closes = (closure: Days & ClosedHours, range: ClockRange): boolean =>
  isOn(closure, range.date) && closesHours(closure, range);

/** Whether a class takes place online because of a closure. */
export const putsOnline = (closure: Days & ClosedHours, date: Temporal.PlainDate): boolean =>
  closure.online === true && isOn(closure, date);
