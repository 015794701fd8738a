import type { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';

/** RFC 5545 components as data; `writeCalendar` turns them into octets. Property names are the RFC's, in camelCase. */
export type VEvent = Readonly<{
  uid: string;
  /** Stable for unchanged content: the time of the last change. */
  dtstamp: Temporal.Instant;
  dtstart: Moment;
  /** Exclusive. Absent where there is no duration: DTEND must be later than DTSTART (section 3.8.2.2). */
  dtend?: Moment;
  /** Of a series: RRULE's value, with UNTIL in UTC, and the occurrences that are gone. */
  rrule?: string;
  exdates?: readonly Moment[];
  /** Of an occurrence that differs from its series: which one it is. */
  recurrenceId?: Moment;
  summary: string;
  description?: string;
  /** The description as HTML (RFC 9073 section 6.5), where it has more than plain text. */
  styledDescription?: string;
  location?: string;
  url?: string;
  /** RFC 7986 section 5.11: where to join. */
  conference?: string;
  /** What it is called. */
  conferenceLabel?: string;
  categories?: readonly string[];
  /** A CSS3 colour name (RFC 7986 section 5.9). */
  color?: string;
  /** Minutes before the start, for each reminder. */
  alarms?: readonly number[];
  /** Of an invitation (RFC 5546): who invites, and who is invited. */
  organizer?: CalendarUser;
  attendee?: CalendarUser;
  class: 'PUBLIC' | 'PRIVATE';
  transp: 'OPAQUE' | 'TRANSPARENT';
  status?: 'CONFIRMED' | 'CANCELLED';
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

/** `email` without `mailto:`. */
export type CalendarUser = Readonly<{ name: string; email: string }>;

/** RFC 5545 section 3.6.2: work with the day on which it is due, and whether its owner has done it. */
export type VTodo = Readonly<{
  uid: string;
  dtstamp: Temporal.Instant;
  due: Moment;
  summary: string;
  description?: string;
  url?: string;
  categories?: readonly string[];
  color?: string;
  /** The uid of what it hangs on. */
  relatedTo?: string;
  status: 'NEEDS-ACTION' | 'COMPLETED' | 'CANCELLED';
  /** When it was done. */
  completed?: Temporal.Instant;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

/** RFC 5545 section 3.6.4: times that are free, and times that are taken. */
export type VFreeBusy = Readonly<{
  uid: string;
  dtstamp: Temporal.Instant;
  url?: string;
  /** In the order of time. */
  periods: readonly Readonly<{ type: 'FREE' | 'BUSY'; start: Temporal.Instant; end: Temporal.Instant }>[];
}>;

export type VCalendar = Readonly<{
  /** Of a message (RFC 5546); a feed has none. */
  method?: 'REQUEST' | 'CANCEL';
  name: string;
  description?: string;
  /** The page that shows the same content. */
  url?: string;
  /** A CSS3 colour name (RFC 7986 section 5.9). */
  color?: string;
  /** Hint to readers: minutes between two polls. */
  refreshMinutes?: number;
  /** The feed's own address; only in public feeds, since a copy of the file would carry the address on. */
  source?: string;
  /** Whose VTIMEZONE stands in a file without content: RFC 5545 section 3.6 asks for a component. */
  zone?: Readonly<{ tzid: string; year: number }>;
  events: readonly VEvent[];
  todos?: readonly VTodo[];
  freeBusy?: VFreeBusy;
  tombstones?: readonly VTombstone[];
}>;

/** What is left of an event that a feed held: its reader can take it away by it. */
export type VTombstone = Readonly<{
  uid: string;
  dtstamp: Temporal.Instant;
  dtstart: Moment;
  sequence: number;
  /** In the feed of one person alone. */
  summary?: string;
}>;
