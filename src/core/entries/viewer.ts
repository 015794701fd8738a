import type { Temporal } from 'temporal-polyfill';
import type { CalendarId, CourseId, GroupId, PersonId, SectionId } from '../ids';

/** An assistant, or a substitute as long as the dates say; `sections` where it is some of them. */
export type Help = Readonly<{
  role: 'assistant' | 'substitute';
  sections?: ReadonlySet<SectionId>;
  /** Of a substitute: notes of bookings from before are not for them. */
  since?: Temporal.Instant;
}>;

/** What a plan is made of beside its frame: what is planned, materials, office hours, notes. */
export const PLAN_PARTS = ['plan', 'materials', 'hours', 'own'] as const;
export type PlanPart = (typeof PLAN_PARTS)[number];

/**
 * Whoever looks. A person sees as staff of some courses and as a member of others; a public or roster outlet
 * is a viewer, too: what it may hold is what it may see.
 */
export type Viewer =
  | Readonly<{
      kind: 'person';
      id: PersonId;
      /** Courses that the person plans: as instructor or co-instructor. */
      staffOf: ReadonlySet<CourseId>;
      /** Of those, where the person is instructor. */
      instructs: ReadonlySet<CourseId>;
      /** Courses in which the person helps without planning them. */
      helps: ReadonlyMap<CourseId, Help>;
      /** Courses the person takes, with the section, if the course has any. */
      memberOf: ReadonlyMap<CourseId, SectionId | undefined>;
      groups: ReadonlySet<GroupId>;
      /** Of a token: the parts of a plan that it reads; absent: all of them. */
      reads?: ReadonlySet<PlanPart>;
      /** Absent: they have the ways into meetings. */
      meetingLinks?: false;
    }>
  | Readonly<{
      kind: 'public' | 'roster';
      courses: ReadonlySet<CourseId>;
      sections: ReadonlySet<SectionId>;
      calendars: ReadonlySet<CalendarId>;
      meetingLinks: boolean;
    }>;

export const getsMeetingLinks = (viewer: Viewer): boolean =>
  viewer.kind === 'person' ? viewer.meetingLinks !== false : viewer.meetingLinks;

export const readsPart = (viewer: Viewer, part: PlanPart): boolean =>
  viewer.kind !== 'person' || (viewer.reads?.has(part) ?? true);

export const isStaffOf = (viewer: Viewer, course: CourseId): boolean =>
  viewer.kind === 'person' && viewer.staffOf.has(course);

/** Whether somebody reads a course as its staff do: whoever plans it, and whoever helps in it. */
export const readsAsStaff = (viewer: Viewer, course: CourseId): boolean =>
  isStaffOf(viewer, course) || (viewer.kind === 'person' && viewer.helps.has(course));

/** Whether somebody is on the staff of any course, in whatever way. */
export const isOnStaff = (viewer: Viewer): boolean =>
  viewer.kind === 'person' && (viewer.staffOf.size > 0 || viewer.helps.size > 0);

export const coursesOf = (viewer: Viewer): readonly CourseId[] =>
  viewer.kind === 'person'
    ? [...new Set([...viewer.staffOf, ...viewer.helps.keys(), ...viewer.memberOf.keys()])]
    : [...viewer.courses];
