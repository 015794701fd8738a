import type { Temporal } from 'temporal-polyfill';
import type { SharedEntry } from '../entries/entry';
import type { SeenEntry } from '../entries/seenBy';
import type { LinkedFile } from '../materials/shownInPlace';
import type { LinkTest } from '../links/linkTest';
import type { CalendarId, CourseId, GroupId, OutletId, PersonId, SectionId } from '../ids';
import type { OutletKind } from '../outlets/outlet';
import type { Course } from '../plan/plan';
import type { SeenClass } from '../plan/seenPlan';
import type { Closure } from '../time/closure';
import type { Term } from '../time/term';
import type { ZoneLookup } from '../time/zone';
import type { Hanging } from '../entries/moveDate';

/** A student of a course, for telling whether two entries meet the same people. */
export type Enrolled = Readonly<{
  course: CourseId;
  person: PersonId;
  section?: SectionId;
  groups: readonly GroupId[];
}>;

/** An entry that is checked: its staff looks at it. Its instance of a series is its first. */
export type CheckedEntry = SeenEntry & SharedEntry;

/** An outlet as checks look at it: what it is composed of, and how many things it holds now. */
export type CheckedOutlet = Readonly<{
  id: OutletId;
  name: string;
  audience: 'public' | 'roster';
  courses: readonly CourseId[];
  sections: readonly SectionId[];
  holds: number;
  /** Kinds that it is ticked for and has none of, while its courses show some. */
  lacks: readonly OutletKind[];
  /** The names of files that it opens and did not when it was last composed. */
  added: readonly string[];
  generation: number;
}>;

/** An outside calendar with how it stands with its source. */
export type CheckedCalendar = Readonly<{
  id: CalendarId;
  name: string;
  courses: readonly CourseId[];
  failingSince?: Temporal.Instant;
  /** The days of which it says that there are no classes, without a rule by which they would be closed. */
  saysClosed: readonly Readonly<{ day: Temporal.PlainDate; title: string }>[];
}>;

/** Something that is published, or read from outside, and has no day: `href` is where it is put right. */
export type CheckedPlace = Readonly<{
  id: string;
  title: string;
  courses: readonly CourseId[];
  href: string;
  /** Different after each change. */
  version: string;
}>;

/** A class of a course that somebody else teaches, in a room. */
export type TakenRoom = Readonly<{
  place: string;
  code: string;
  date: Temporal.PlainDate;
  start: Temporal.PlainTime;
  end: Temporal.PlainTime;
}>;

/** What checks look at: everything that one viewer teaches in a term. */
export type CheckInput = Readonly<{
  term: Term;
  courses: readonly Course[];
  closures: readonly Closure[];
  entries: readonly CheckedEntry[];
  /** The one that is being written, where that alone is looked at. */
  written?: CheckedEntry;
  classes: readonly SeenClass[];
  /** What of the rooms of these classes others have. */
  taken: readonly TakenRoom[];
  /** The students whom an entry meets. */
  peopleOf: (entry: CheckedEntry) => ReadonlySet<PersonId>;
  /** How links answered when they were last tested, by address. */
  linkTests: ReadonlyMap<string, LinkTest>;
  /** The uploaded files that links lead to, by address. */
  files: ReadonlyMap<string, LinkedFile>;
  today: Temporal.PlainDate;
  now: Temporal.Instant;
  outlets: readonly CheckedOutlet[];
  calendars: readonly CheckedCalendar[];
  zoneOf: ZoneLookup;
  locale: string;
}>;

/** What would put it right in one click, done by the same acts that a person has. */
export type Remedy = Readonly<{ label: string }> &
  (
    | Readonly<{ act: 'shift'; days: number }>
    | Readonly<{ act: 'line'; on: string }>
    | Readonly<{ act: 'place'; start: string; end: string }>
    | Readonly<{ act: 'dates'; field: Hanging; days: number }>
    | Readonly<{ act: 'show' }>
    | Readonly<{ act: 'open' }>
  );

/** Something questionable: what, where, why, and what to do about it. */
export type Finding = Readonly<{
  check: string;
  /** An entry, a class, or something that has no day. */
  about:
    Readonly<{ entry: CheckedEntry }> | Readonly<{ seen: SeenClass }> | Readonly<{ place: CheckedPlace }>;
  why: string;
  remedy: Remedy;
  /** Another entry that it is about, too. */
  other?: CheckedEntry;
}>;

/** One check is one file: it names what it finds. */
export type Check = Readonly<{ id: string; find: (input: CheckInput) => readonly Finding[] }>;

export const OPEN = (label: string): Remedy => ({ label, act: 'open' });

/** By what a finding is known again: dismissed, it stays so until what it is about changes. */
export function findingKey({ check, about, other }: Finding): string {
  const id = 'entry' in about ? about.entry.id : 'seen' in about ? about.seen.meeting.id : about.place.id;
  return [check, id, ...(other ? [other.id] : [])].join(' ');
}

/** The courses that a finding concerns. */
export function coursesOfFinding({ about }: Finding): readonly CourseId[] {
  if ('entry' in about) return about.entry.audience.map((part) => part.course);
  return 'seen' in about ? [about.seen.course.id] : about.place.courses;
}

/** Different after each change of what a finding is about. */
export function fingerprint({ about, other }: Finding): string {
  const own =
    'entry' in about
      ? about.entry.sequence
      : 'seen' in about
        ? about.seen.meeting.sequence
        : about.place.version;
  return [own, ...(other ? [other.sequence] : [])].join(' ');
}
