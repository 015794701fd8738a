import type { Temporal } from 'temporal-polyfill';
import type { CourseId, EntryId, GroupId, PersonId, SectionId } from '../ids';
import type { Moment, ZonedWall } from '../time/zonedWall';

/**
 * Who is meant within one course: everyone, or whoever is in one of the sections or groups or is named. An entry in
 * several courses has one of these for each. A list is never empty.
 */
export type CourseAudience = Readonly<{
  course: CourseId;
  sections?: readonly SectionId[];
  groups?: readonly GroupId[];
  people?: readonly PersonId[];
}>;

export const isEveryone = ({ sections, groups, people }: CourseAudience): boolean =>
  !sections && !groups && !people;

export type Link = Readonly<{ url: string; label: string; staffOnly: boolean }>;

/** When students begin to see an entry. `at` is the instant of `from`, derived when the row is read. */
export type Visibility =
  | Readonly<{ kind: 'draft' }>
  | Readonly<{ kind: 'visible' }>
  | Readonly<{ kind: 'from'; from: ZonedWall; at: Temporal.Instant }>;

/** Half-open: `end` of whole days is the day after the last one, as in RFC 5545's DTEND. */
export type When =
  | Readonly<{ kind: 'timed'; start: ZonedWall; end?: ZonedWall }>
  | Readonly<{ kind: 'days'; start: Temporal.PlainDate; end: Temporal.PlainDate }>;

type Common = Readonly<{
  id: EntryId;
  uid: string;
  title: string;
  description: string;
  audience: readonly CourseAudience[];
  links: readonly Link[];
  visibility: Visibility;
  tzid: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

export type EventEntry = Common & Readonly<{ kind: 'event'; when: When; place: string }>;

export type AssignmentEntry = Common &
  Readonly<{
    kind: 'assignment';
    setOn?: Temporal.PlainDate;
    due: Moment;
    /** The set day is a component of its own in feeds. */
    setUid: string;
    /** How it is handed in, in the instructor's words. */
    handIn: string;
  }>;

export type Entry = EventEntry | AssignmentEntry;
