import { Temporal } from 'temporal-polyfill';
import type { CalendarId, ClosureId, CourseId, TermId } from '../ids';

/** Days, or the rest of each day, without classes. Half-open: `end` is the first day that is open again. */
export type Closure = Readonly<{
  id: ClosureId;
  term: TermId;
  /** Absent: the whole site. */
  course?: CourseId;
  name: string;
  start: Temporal.PlainDate;
  end: Temporal.PlainDate;
  /** The time from which each of the days is closed; absent: no classes at all. */
  closesAt?: Temporal.PlainTime;
  /** Asked for by an outside calendar: by which, and by which of its times. */
  from?: Readonly<{ calendar: CalendarId; source: string }>;
  created: Temporal.Instant;
}>;

type ClockRange = Readonly<{ date: Temporal.PlainDate; start: Temporal.PlainTime; end: Temporal.PlainTime }>;

export const isOn = (closure: Pick<Closure, 'start' | 'end'>, date: Temporal.PlainDate): boolean =>
  Temporal.PlainDate.compare(closure.start, date) <= 0 && Temporal.PlainDate.compare(date, closure.end) < 0;

export const concernsCourse = (closure: Closure, course: CourseId): boolean =>
  closure.course === undefined || closure.course === course;

/** Whether a closure takes away a class, all of it or its end. */
export const closes = (
  closure: Pick<Closure, 'start' | 'end' | 'closesAt'>,
  { date, end }: ClockRange,
): boolean =>
  isOn(closure, date) && (!closure.closesAt || Temporal.PlainTime.compare(end, closure.closesAt) > 0);
