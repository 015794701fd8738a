import type { CalendarId, CourseId, GroupId, PersonId, SectionId } from '../ids';

/**
 * Whoever looks. A person sees as staff of some courses and as a member of others; a public or roster outlet
 * is a viewer, too: what it may hold is what it may see.
 */
export type Viewer =
  | Readonly<{
      kind: 'person';
      id: PersonId;
      staffOf: ReadonlySet<CourseId>;
      /** Courses the person takes, with the section, if the course has any. */
      memberOf: ReadonlyMap<CourseId, SectionId | undefined>;
      groups: ReadonlySet<GroupId>;
    }>
  | Readonly<{
      kind: 'public' | 'roster';
      courses: ReadonlySet<CourseId>;
      sections: ReadonlySet<SectionId>;
      calendars: ReadonlySet<CalendarId>;
      meetingLinks: boolean;
    }>;

export const getsMeetingLinks = (viewer: Viewer): boolean => viewer.kind === 'person' || viewer.meetingLinks;

export const isStaffOf = (viewer: Viewer, course: CourseId): boolean =>
  viewer.kind === 'person' && viewer.staffOf.has(course);

export const coursesOf = (viewer: Viewer): readonly CourseId[] =>
  viewer.kind === 'person'
    ? [...new Set([...viewer.staffOf, ...viewer.memberOf.keys()])]
    : [...viewer.courses];
