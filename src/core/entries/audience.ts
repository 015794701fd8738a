import type { CourseAudience } from './entry';
import { isEveryone } from './entry';
import type { Viewer } from './viewer';
import { isStaffOf } from './viewer';

/** Whether a part of an audience reaches the viewer as a student or reader; staff membership does not count here. */
function reaches(part: CourseAudience, viewer: Viewer): boolean {
  switch (viewer.kind) {
    case 'person': {
      if (!viewer.memberOf.has(part.course)) return false;
      if (isEveryone(part)) return true;
      const own = viewer.memberOf.get(part.course);
      return (
        (own !== undefined && part.sections?.includes(own)) ||
        (part.groups ?? []).some((group) => viewer.groups.has(group)) ||
        (part.people ?? []).includes(viewer.id)
      );
    }
    case 'public':
    case 'roster':
      return (
        viewer.courses.has(part.course) &&
        // What is meant for groups or for named students goes into no outlet that others read.
        (isEveryone(part) || (part.sections ?? []).some((section) => viewer.sections.has(section)))
      );
    default:
      return viewer satisfies never;
  }
}

export type AudienceSeen = Readonly<{ asStaff: boolean; parts: readonly CourseAudience[] }>;

/** The parts of an audience that concern the viewer, and whether as staff; undefined when none does. */
export function audienceSeenBy(
  viewer: Viewer,
  audience: readonly CourseAudience[],
): AudienceSeen | undefined {
  const asStaff = audience.filter((part) => isStaffOf(viewer, part.course));
  const parts = audience.filter((part) => isStaffOf(viewer, part.course) || reaches(part, viewer));
  return parts.length > 0 ? { asStaff: asStaff.length > 0, parts } : undefined;
}
