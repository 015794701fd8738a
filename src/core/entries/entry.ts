import type { ClassNumber } from '../time/classNumber';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId, EntryId, FileId, GroupId, MaterialId, PersonId, SectionId } from '../ids';
import type { Recurrence } from '../series/recurrence';
import type { OwnStart, Pacing } from './pacing';
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

/**
 * Where an entry leads: to an address, a material of its course, or a file attached to it. As a viewer sees it, a material's link has the address
 * and, without a label of its own, the title that the material has now (`titled`).
 */
export type Link = Readonly<{
  url: string;
  label: string;
  staffOnly: boolean;
  material?: MaterialId;
  file?: FileId;
  titled?: boolean;
}>;

/**
 * When students begin to see an entry. `at` is the instant that follows, derived when the row is read; `before` counts
 * days back from the entry's own day and begins with that day.
 */
export type Visibility =
  | Readonly<{ kind: 'draft' }>
  | Readonly<{ kind: 'visible' }>
  | Readonly<{ kind: 'from'; from: ZonedWall; at: Temporal.Instant }>
  | Readonly<{ kind: 'before'; days: number; at: Temporal.Instant }>;

/** A visibility with its instant left to be derived. */
export type PlainVisibility =
  | Readonly<{ kind: 'draft' | 'visible' }>
  | Readonly<{ kind: 'from'; from: ZonedWall }>
  | Readonly<{ kind: 'before'; days: number }>;

/** When students cease to see it. */
export type HiddenAfter = Readonly<{ wall: ZonedWall; at: Temporal.Instant }>;

/** Half-open: `end` of whole days is the day after the last one, as in RFC 5545's DTEND. */
export type When =
  | Readonly<{ kind: 'timed'; start: ZonedWall; end?: ZonedWall }>
  | Readonly<{ kind: 'days'; start: Temporal.PlainDate; end: Temporal.PlainDate }>;

/** `waiting`: for a seat, where all are taken. */
export const ANSWERS = ['coming', 'notComing', 'notSure', 'waiting'] as const;
export type Answer = (typeof ANSWERS)[number];
export type Reply = Readonly<{
  person: PersonId;
  name: string;
  answer: Answer;
  /** Of somebody who waits. */
  waitingSince?: Temporal.Instant;
}>;

type Common = Readonly<{
  id: EntryId;
  uid: string;
  title: string;
  /** Formatted text: HTML within the allow list of `sanitize`. */
  description: string;
  tzid: string;
  sequence: number;
  /** The UID it had in the file that it was brought in from. */
  sourceUid?: string;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

type Shared = Common &
  Readonly<{
    audience: readonly CourseAudience[];
    links: readonly Link[];
    visibility: Visibility;
    hiddenAfter?: HiddenAfter;
    /** Called off, visibly; the reason may be empty. */
    cancelled?: string;
  }>;

export type EventEntry = Shared &
  Readonly<{
    kind: 'event';
    when: When;
    place: string;
    /** Where to join, a name for it, and whatever came along with it: a number, a code. */
    meetingLink: string;
    meetingName: string;
    meetingText: string;
    recurrence?: Recurrence;
    /** Whether it asks who is coming, and for how many there is room. */
    coming?: Readonly<{ seats?: number; replies: readonly Reply[] }>;
  }>;

/** The dates of an assignment that can follow a class. */
export type DateField = 'setOn' | 'opens' | 'due' | 'closes';

/**
 * The start or end of a class, by its number; a slide can give it another number in some sections. Of a set day the date
 * alone counts.
 */
export type ClassRef = ClassNumber &
  Readonly<{
    edge: 'start' | 'end';
    sections?: Readonly<Record<SectionId, number>>;
  }>;

/** The dates of one section, where those bound to a class differ between sections. */
export type SectionDates = Readonly<{
  section: SectionId;
  name: string;
  setOn?: Temporal.PlainDate;
  opens?: Moment;
  due: Moment;
  closes?: Moment;
}>;

/**
 * Later (or earlier) dates for one student. When the work closes and ceases to be seen goes with it: absent, as for everybody,
 * but never before the extended due time. `arranged`: it follows from what was arranged for all work of the course.
 */
export type Extension = Readonly<{
  person: PersonId;
  name: string;
  due: Moment;
  closes?: Moment;
  hiddenAfter?: HiddenAfter;
  arranged?: true;
}>;

export const LATE_WORK = ['refused', 'taken'] as const;
export type LateWork = (typeof LATE_WORK)[number];

export type AssignmentEntry = Shared &
  Readonly<{
    kind: 'assignment';
    setOn?: Temporal.PlainDate;
    opens?: Moment;
    due: Moment;
    closes?: Moment;
    /** The set day is a component of its own in feeds. */
    setUid: string;
    /** How it is handed in, in the instructor's words. */
    handIn: string;
    /** Whether late work is taken (until it closes, where it does), and whether it may be handed in again; absent: nothing is said. */
    lateWork?: LateWork;
    handInAgain?: boolean;
    /** More about both, in words. */
    latePolicy: string;
    points?: number;
    effortMinutes?: number;
    /** Due by each student's own start; `due` is then the last day. `starts`: who of its courses has begun. */
    pacing?: Pacing;
    starts?: readonly OwnStart[];
    /** Later (or earlier) due times for some; each is seen by that student and the staff alone. */
    extensions: readonly Extension[];
    /** Dates that follow a class; the moments above are what they come to in the first section. */
    atClass?: Readonly<Partial<Record<DateField, ClassRef>>>;
    /** Derived like those moments: one for each section, where they differ; else absent. */
    sectionDates?: readonly SectionDates[];
  }>;

/** A short dated text to an audience. */
export type AnnouncementEntry = Shared & Readonly<{ kind: 'announcement'; on: Temporal.PlainDate }>;

/** Seen by its author alone, everywhere. It may hang on an entry, and keeps a day of its own. */
export type NoteEntry = Common & Readonly<{ kind: 'note'; on: Moment; author: PersonId; about?: EntryId }>;

export type SharedEntry = EventEntry | AssignmentEntry | AnnouncementEntry;
export type Entry = SharedEntry | NoteEntry;

/** Who an entry is for; a note is for nobody but its author. */
export const audienceOf = (entry: Entry): readonly CourseAudience[] =>
  entry.kind === 'note' ? [] : entry.audience;

type Dated =
  | Pick<EventEntry, 'kind' | 'when'>
  | Pick<AssignmentEntry, 'kind' | 'due'>
  | Pick<AnnouncementEntry | NoteEntry, 'kind' | 'on'>;

/** The moment an entry hangs on: a start, a due time, a day. */
export function mainMoment(entry: Dated): Moment {
  switch (entry.kind) {
    case 'event':
      return entry.when.start;
    case 'assignment':
      return entry.due;
    case 'announcement':
    case 'note':
      return entry.on;
    default:
      return entry satisfies never;
  }
}
