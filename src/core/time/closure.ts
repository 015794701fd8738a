import { Temporal } from 'temporal-polyfill';
import { endsNextDay } from './classHours';
import type { CalendarId, ClosureId, CourseId, SectionId, TermId } from '../ids';

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
    /** Of the course: some of its sections alone; absent: all of them. */
    sections?: readonly SectionId[];
    /** What those are called, where a viewer reads of it. */
    sectionNames?: readonly string[];
    name: string;
    start: Temporal.PlainDate;
    end: Temporal.PlainDate;
    /** Asked for by an outside calendar: by which, and by which of its times. */
    from?: Readonly<{ calendar: CalendarId; source: string }>;
    created: Temporal.Instant;
  }>;

type ClockRange = Readonly<{ date: Temporal.PlainDate; start: Temporal.PlainTime; end: Temporal.PlainTime }>;
/** As of an audience (`CourseAudience`). */
type Part = Readonly<{
  course: CourseId;
  sections?: readonly SectionId[];
  groups?: readonly unknown[];
  people?: readonly unknown[];
}>;
type Days = Pick<Closure, 'start' | 'end'>;

export const isOn = (closure: Days, date: Temporal.PlainDate): boolean =>
  Temporal.PlainDate.compare(closure.start, date) <= 0 && Temporal.PlainDate.compare(date, closure.end) < 0;

/** Whether a course has no classes then, in none of its sections. */
export const concernsCourse = ({ course: of, sections }: Closure, course: CourseId): boolean =>
  !sections && (of === undefined || of === course);

/** Whether a section of a course has no classes then. */
export const concernsSection = (closure: Closure, course: CourseId, section: SectionId): boolean =>
  concernsCourse(closure, course) ||
  (closure.course === course && closure.sections?.includes(section) === true);

/** Whether everybody in a part of an audience is in sections that have no classes then. */
export function concernsPart(closure: Closure, part: Part): boolean {
  const { course, sections, groups, people } = part;
  if (concernsCourse(closure, course)) return true;
  if (!sections || groups || people) return false;
  return sections.length > 0 && sections.every((section) => concernsSection(closure, course, section));
}

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
