import type { Temporal } from 'temporal-polyfill';
import type { CalendarId, CourseId, FileId, TermId } from '../ids';
import type { Moment } from '../time/zonedWall';

/** Which of its days are closures: none, all, or those whose title holds one of the words. */
export type ClosureRule =
  | Readonly<{ kind: 'none' }>
  | Readonly<{ kind: 'all' }>
  | Readonly<{ kind: 'matching'; words: readonly string[] }>;

/** When something of an outside calendar takes place, in the zone of the calendar's term. */
export type OutsideTime = Readonly<{
  /** Its own in this calendar: of a series, one for each occurrence. */
  uid: string;
  title: string;
  place: string;
  url: string;
  start: Moment;
  end?: Moment;
  cancelled: boolean;
}>;

/** A calendar that others keep, shown beside the plan of some courses of a term, or of all of them. */
export type OutsideCalendar = Readonly<{
  id: CalendarId;
  term: TermId;
  name: string;
  /** Empty where it came from a file. */
  url: string;
  file?: FileId;
  /** All courses of the term: then the administrator keeps it. */
  wholeTerm: boolean;
  courses: readonly CourseId[];
  /** Whether students and outlets may see it. */
  seenBy: 'staff' | 'everyone';
  /** Switched off it stays, and is shown nowhere. */
  active: boolean;
  closes: ClosureRule;
  times: readonly OutsideTime[];
  /** When its times changed last. */
  changedAt: Temporal.Instant;
}>;
