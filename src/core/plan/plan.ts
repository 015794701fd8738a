import type { StaffRole } from '../may/role';
import type { CourseId, GroupId, PersonId, SectionId, SiteDateId, TermId } from '../ids';
import type { Temporal } from 'temporal-polyfill';
import type { Entry } from '../entries/entry';
import type { ClassPlan } from './classPlan';
import type { Tombstone } from '../entries/tombstone';
import type { OutsideCalendar } from '../outside/outsideCalendar';
import type { Material } from '../materials/material';
import type { Sheet } from '../signup/sheet';
import type { Closure } from '../time/closure';
import type { ExtraClass, Meeting } from '../time/meetings';
import type { Pattern } from '../time/pattern';
import type { Term } from '../time/term';

/** The ten colours that courses are told apart by, beside their tags. */
export const COURSE_COLORS = [
  'brick', 'sea', 'plum', 'olive', 'copper', 'slate', 'rose', 'indigo', 'moss', 'teal',
] as const; // prettier-ignore
export type CourseColor = (typeof COURSE_COLORS)[number];

export type Section = Readonly<{
  id: SectionId;
  name: string;
  students: number;
  /** Its own first and last day, both included; absent: the term's. */
  firstDay?: Temporal.PlainDate;
  lastDay?: Temporal.PlainDate;
  patterns: readonly Pattern[];
  /** Classes outside of the patterns. */
  extraClasses?: readonly ExtraClass[];
  /** In the order of time, those of one strand in the order of their numbers. */
  meetings: readonly Meeting[];
}>;

export type Group = Readonly<{ id: GroupId; name: string; students: number }>;

/** Somebody on a course's staff; `sections` of one who helps in some alone, the days of a substitute, both included. */
export type StaffMember = Readonly<{
  id: PersonId;
  name: string;
  role: StaffRole;
  sections?: readonly SectionId[];
  from?: string;
  until?: string;
}>;

export type Course = Readonly<{
  id: CourseId;
  term: TermId;
  code: string;
  title: string;
  tag: string;
  color: CourseColor;
  credits?: number;
  /** What it means to take of a student in a week, class included; absent: what its credits ask for. */
  weeklyHours?: number;
  /** Whether those who teach its students elsewhere read the titles of its work in their load. */
  sharesTitles: boolean;
  /** Where classes take place, and where they are joined, unless said otherwise. */
  place: string;
  meetingLink: string;
  /** Instructors first. */
  staff: readonly StaffMember[];
  sections: readonly Section[];
  groups: readonly Group[];
  /** What a teaching week is about, by its number. */
  themes: ReadonlyMap<number, string>;
  /** Readable, and out of the way. */
  archived: boolean;
  /** Students on the roster, those without a section included. */
  students: number;
}>;

/** An exam day, a deadline for everyone: on it classes go on. Half-open. */
export type SiteDate = Readonly<{
  id: SiteDateId;
  term: TermId;
  name: string;
  start: Temporal.PlainDate;
  end: Temporal.PlainDate;
  at?: Temporal.PlainTime;
  created: Temporal.Instant;
}>;

/** Everything planned in some courses, unfiltered. It leaves the server only through `seenPlan`. */
export type Plan = Readonly<{
  /** How dates are written, a BCP 47 tag. */
  locale: string;
  terms: readonly Term[];
  courses: readonly Course[];
  closures: readonly Closure[];
  siteDates: readonly SiteDate[];
  classPlans: readonly ClassPlan[];
  entries: readonly Entry[];
  sheets: readonly Sheet[];
  materials: readonly Material[];
  calendars: readonly OutsideCalendar[];
  tombstones: readonly Tombstone[];
}>;
